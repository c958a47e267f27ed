package vividlantern.server.api;

import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.patch.AtRate;
import vividlantern.patch.CountUpTracks;
import vividlantern.patch.GridStroke;
import vividlantern.patch.ManyPlaced;
import vividlantern.patch.MapAnew;
import vividlantern.patch.NewTracks;
import vividlantern.patch.OfferedFeeds;
import vividlantern.preamp.Turned;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Noted;
import vividlantern.readiness.Readiness;
import vividlantern.rig.Rig;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.RigDesk;
import vividlantern.server.desk.TimingDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.Raised;

/** Inputs to tracks, many at once, and what would go wrong with the mapping as it is. Proposals are edits to be sent back. */
@RestController
@RequestMapping("/api/sessions/{session}")
class TracksController {

    /**
     * Tracks to be added, of 1 to 8 channels each: as many as "count" by a pattern with {n} in it, or one a line if there is
     * no count.
     */
    record WantedTracks(int count, int width, String names) {}

    /**
     * A finding as a page shows it.
     *
     * @param at what is said at each of the parts it is about
     * @param button what the fix does, in words; "" if there is none
     * @param way the same for all findings of its kind that are ended like it; "" if there is none
     * @param fix the edits that end it
     * @param turned what can be noted once a hand has turned it
     * @param acknowledged why it is on purpose; "" while it is open
     * @param among what it and many others of its kind come to, in a sentence; "" if it stands alone
     */
    record Found(
            String key,
            Finding.Topic topic,
            String sentence,
            String why,
            List<At> at,
            String button,
            String way,
            List<Edit> fix,
            String byHand,
            Optional<Turned> turned,
            String acknowledged,
            String among) {}

    /**
     * What a finding says at a part.
     *
     * @param part as in "input/fiddle"
     */
    record At(String part, String words) {}

    /** Inputs that shall have tracks, all that have none if none is named, and what stereo ones become. */
    record WantedTracksOf(List<InputId> inputs, NewTracks.Stereo stereo) {}

    /** A wide track that shall be split. */
    record WantedSplit(TrackId track, NewTracks.Split how) {}

    record SelectedTracks(List<TrackId> tracks) {}

    /**
     * Tracks whose faders move.
     *
     * @param db by how many dB; negative lowers them
     */
    record Raise(List<TrackId> tracks, double db) {}

    /** A stroke over the grid of ports and tracks. */
    record Stroke(List<GridStroke.Crossing> crossings) {}

    private final Desk desk;
    private final RigDesk rigs;
    private final LiveRig live;
    private final TimingDesk timings;
    private final MediaDesk media;

    TracksController(Desk desk, RigDesk rigs, LiveRig live, TimingDesk timings, MediaDesk media) {
        this.desk = desk;
        this.rigs = rigs;
        this.live = live;
        this.timings = timings;
        this.media = media;
    }

    /** The edits that make tracks of the selected inputs, or of all that feed none. */
    @PostMapping("/tracks/from-inputs")
    InputListController.Proposed fromInputs(@PathVariable String session, @RequestBody WantedTracksOf wanted) {
        return new InputListController.Proposed(NewTracks.fromInputs(open(session), wanted.inputs(), wanted.stereo()));
    }

    /** The edits that make instrument tracks of all outputs of sound modules that are on none yet. */
    @PostMapping("/tracks/instruments")
    InputListController.Proposed instruments(@PathVariable String session) {
        Session open = open(session);
        return new InputListController.Proposed(NewTracks.forInstruments(open, desk.rigOf(open.id())));
    }

    /** The edits that split a wide track into tracks that are heard and not recorded. */
    @PostMapping("/tracks/split")
    InputListController.Proposed split(@PathVariable String session, @RequestBody WantedSplit wanted) {
        return new InputListController.Proposed(NewTracks.split(open(session), wanted.track(), wanted.how()));
    }

    /** How what was lost when the rig changed can be mapped anew: in words, and the edits. */
    @GetMapping("/map-anew")
    MapAnew.Proposal mapAnew(@PathVariable String session) {
        Session open = open(session);
        return MapAnew.of(open, desk.rigOf(open.id()));
    }

    /** The edits that add many tracks at once. */
    @PostMapping("/tracks/many")
    InputListController.Proposed many(@PathVariable String session, @RequestBody WantedTracks wanted) {
        return new InputListController.Proposed(
                wanted.count() == 0
                        ? NewTracks.byList(open(session), wanted.width(), wanted.names())
                        : NewTracks.byPattern(open(session), wanted.count(), wanted.width(), wanted.names()));
    }

    /** The edits that feed the selected tracks from consecutive ports, starting at the first one's. */
    @PostMapping("/tracks/count-up")
    ManyPlaced countUp(@PathVariable String session, @RequestBody SelectedTracks selected) {
        Session open = open(session);
        return CountUpTracks.from(open, desk.rigOf(open.id()), selected.tracks());
    }

    /** The edits that raise the selected tracks' faders by some dB, or lower them; their distances stay. */
    @PostMapping("/tracks/raise")
    InputListController.Proposed raise(@PathVariable String session, @RequestBody Raise raise) {
        return new InputListController.Proposed(Raised.faders(open(session), raise.tracks(), raise.db()));
    }

    /** The edits that feed tracks as a stroke over the grid crosses them. */
    @PostMapping("/tracks/stroke")
    InputListController.Proposed stroke(@PathVariable String session, @RequestBody Stroke stroke) {
        Session open = open(session);
        return new InputListController.Proposed(GridStroke.edits(open, desk.rigOf(open.id()), stroke.crossings()));
    }

    /** What else would be found once a finding's fix is made. */
    @GetMapping("/readiness/then")
    List<String> then(@PathVariable String session, @RequestParam String key) {
        Session open = open(session);
        Rig rig = desk.rigOf(open.id());
        return Readiness.then(open, rig, noted(open), key);
    }

    /** The edits that end a finding and all of its kind that have the same way out. */
    @GetMapping("/readiness/together")
    InputListController.Proposed together(@PathVariable String session, @RequestParam String key) {
        Session open = open(session);
        Rig rig = desk.rigOf(open.id());
        return new InputListController.Proposed(Readiness.together(open, rig, noted(open), key));
    }

    /** What would go wrong if recording began now, the gravest first. */
    @GetMapping("/readiness")
    List<Found> readiness(@PathVariable String session) {
        Session open = open(session);
        Rig rig = desk.rigOf(open.id());
        return Readiness.of(open, rig, noted(open)).stream()
                .map(standing -> found(open, standing))
                .toList();
    }

    /** What can feed a track for inputs of so many channels: single ports, pairs or wide groups. */
    @GetMapping("/feeds")
    List<OfferedFeeds.OfferedFeed> feeds(@PathVariable String session, @RequestParam int width) {
        Session open = open(session);
        return OfferedFeeds.of(open, desk.rigOf(open.id()), width);
    }

    /** What can feed instrument tracks: the outputs of sound modules, pairs first. */
    @GetMapping("/module-outputs")
    List<OfferedFeeds.OfferedFeed> moduleOutputs(@PathVariable String session) {
        Session open = open(session);
        return OfferedFeeds.ofSoundModules(open, desk.rigOf(open.id()));
    }

    /** The inputs that would lose their port at another sample rate. */
    @GetMapping("/at-rate")
    List<AtRate.Lost> atRate(@PathVariable String session, @RequestParam int sampleRate) {
        Session open = open(session);
        return AtRate.lost(open, desk.rigOf(open.id()), sampleRate);
    }

    private Session open(String session) {
        return desk.session(new SessionId(session));
    }

    private Noted noted(Session session) {
        return new Noted(
                rigs.turned(session.rigId()),
                rigs.outlets(session.rigId()),
                rigs.measured(session.rigId()),
                live.incidents(session.id()),
                timings.knownLoad(session),
                live.played(session),
                live.printed(session),
                live.heardCues(session),
                media.states(session));
    }

    private static Found found(Session session, Readiness.Standing standing) {
        Finding finding = standing.finding();
        return new Found(
                finding.key(),
                finding.topic(),
                finding.sentence(),
                finding.why(),
                finding.at(session).stream()
                        .map(each -> new At(each.part().toString(), each.words()))
                        .toList(),
                finding.fix().map(Finding.Fix::words).orElse(""),
                finding.fix().map(Finding.Fix::way).orElse(""),
                finding.fix().map(Finding.Fix::edits).orElse(List.of()),
                finding.byHand(),
                finding.turned(),
                standing.acknowledged(),
                standing.among());
    }
}
