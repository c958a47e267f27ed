package vividlantern.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import vividlantern.history.Refused;
import vividlantern.patch.Fit;
import vividlantern.rig.Rig;
import vividlantern.session.Cue;
import vividlantern.session.CueId;
import vividlantern.session.DirectLevel;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Send;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackGroup;
import vividlantern.session.TrackGroupId;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.Sizes;

/**
 * A kit put into a session: its tracks and inputs at the end, with ids of their own and names that nobody has yet; ports by
 * {@link Fit}; sends into the cue of the same performers.
 *
 * @param session the session with the kit in it
 * @param fitted where its inputs go
 * @param cues where its sends go
 * @param words what else is to be known, a sentence each
 */
public record KitPlacing(Session session, Fit.Fitted fitted, List<CueMeeting> cues, List<String> words) {

    /**
     * Where the sends to one cue of the kit go.
     *
     * @param cue the kit's cue
     * @param listeners who listened to it
     * @param into the session's cue; empty if there is none like it, and somebody has to say
     */
    public record CueMeeting(CueId cue, String name, List<String> listeners, Optional<CueId> into) {}

    /** @param answers which cue of the session the sends to a cue of the kit go into, where somebody said so; empty for none */
    public static KitPlacing of(Kit kit, Session into, Rig rig, Map<CueId, Optional<CueId>> answers) {
        return new Placing(kit, into, rig).place(answers);
    }

    private static final class Placing {

        private final Kit kit;
        private final Rig rig;
        private final Session before;
        private Session session;
        private final Map<InputId, InputId> inputs = new HashMap<>();
        private final Map<TrackId, TrackId> tracks = new LinkedHashMap<>();
        private final Map<InputId, List<String>> wishes = new LinkedHashMap<>();
        private final List<String> words = new ArrayList<>();

        private Placing(Kit kit, Session into, Rig rig) {
            this.kit = kit;
            this.rig = rig;
            before = into;
            session = into;
        }

        private KitPlacing place(Map<CueId, Optional<CueId>> answers) {
            kit.session().inputs().forEach(this::add);
            double position =
                    session.tracks().stream().mapToDouble(Track::position).max().orElse(0);
            for (Track track : inOrderOfNeed()) {
                position++;
                add(track, position);
            }
            kit.session().groups().forEach(this::add);
            List<CueMeeting> meetings = kit.session().cues().stream()
                    .map(cue -> meeting(cue, answers))
                    .toList();
            meetings.forEach(meeting -> meeting.into().ifPresent(id -> send(meeting.cue(), id)));
            Sizes.require(before, session);
            Fit.Fitted fitted = Fit.of(session, rig, new Fit.Wishes(wishes, Map.of()));
            return new KitPlacing(Edit.applyAll(fitted.edits(), session, rig), fitted, meetings, words);
        }

        private void add(Input input) {
            InputId id = new InputId(Parts.freshId(session, PartKind.INPUT, input.source()));
            int number = freeNumber();
            String source = apart(
                    input.source(),
                    name -> session.inputs().stream()
                            .anyMatch(each -> each.source().equalsIgnoreCase(name)));
            inputs.put(input.id(), id);
            wishes.put(id, kit.names(input));
            session = session.plus(input.as(id, number, source)
                    .playedBy(performer(input, source))
                    .patchedTo(List.of()));
        }

        /** The number after the last one, or, if there is none any more, the first that nobody has. */
        private int freeNumber() {
            Set<Integer> taken = session.inputs().stream().map(Input::number).collect(Collectors.toSet());
            int last = taken.stream().mapToInt(Integer::intValue).max().orElse(0);
            return IntStream.concat(IntStream.of(last + 1), IntStream.rangeClosed(1, Sizes.INPUTS))
                    .filter(number -> number <= Sizes.INPUTS && !taken.contains(number))
                    .findFirst()
                    .orElseThrow(() -> new Refused("A session holds at most " + Sizes.INPUTS + " inputs.", "kit"));
        }

        private Optional<PerformerId> performer(Input input, String source) {
            Optional<String> name =
                    input.performer().flatMap(kit.session()::find).map(Performer::name);
            Optional<PerformerId> found = name.flatMap(each -> SameCue.performer(session, each));
            if (name.isPresent() && found.isEmpty()) {
                words.add(name.get() + " is not in this session, so nobody plays " + source + " yet.");
            }
            return found;
        }

        /** Wide tracks come before what is split from them. */
        private List<Track> inOrderOfNeed() {
            List<Track> all = new ArrayList<>(kit.session().tracks());
            List<Track> splits =
                    all.stream().filter(track -> track.splitFrom().isPresent()).toList();
            all.removeAll(splits);
            splits.forEach(split -> all.add(1 + lastOf(all, split.splitFrom().orElseThrow()), split));
            return all;
        }

        private static int lastOf(List<Track> all, TrackId wide) {
            int last = 0;
            for (int at = 0; at < all.size(); at++) {
                if (all.get(at).id().equals(wide) || all.get(at).splitFrom().equals(Optional.of(wide))) {
                    last = at;
                }
            }
            return last;
        }

        private void add(Track track, double position) {
            TrackId id = new TrackId(Parts.freshId(session, PartKind.TRACK, track.name()));
            String name = apart(
                    track.name(),
                    taken -> session.tracks().stream()
                            .anyMatch(each -> each.name().equalsIgnoreCase(taken)));
            tracks.put(track.id(), id);
            session = session.plus(track.as(id)
                    .named(name)
                    .at(position)
                    .soloed(false)
                    .fedBy(track.feeds().stream().map(this::here).toList()));
        }

        private Feed here(Feed feed) {
            return feed.input()
                    .map(input -> Feed.from(inputs.get(input), feed.channel()))
                    .or(() -> feed.track().map(track -> Feed.from(tracks.get(track), feed.channel())))
                    .orElseGet(() -> kit.known(feed, rig));
        }

        private void add(TrackGroup group) {
            TrackGroupId id = new TrackGroupId(Parts.freshId(session, PartKind.GROUP, group.name()));
            String name = apart(
                    group.name(),
                    taken -> session.groups().stream()
                            .anyMatch(each -> each.name().equalsIgnoreCase(taken)));
            List<TrackGroup> all = new ArrayList<>(session.groups());
            all.add(new TrackGroup(
                    id, name, group.tracks().stream().map(tracks::get).toList(), group.links()));
            session = session.withGroups(all);
        }

        private CueMeeting meeting(Cue cue, Map<CueId, Optional<CueId>> answers) {
            List<String> listeners = SameCue.listeners(kit.session(), cue);
            Optional<CueId> into = answers.containsKey(cue.id())
                    ? answers.get(cue.id()).filter(id -> session.find(id).isPresent())
                    : SameCue.in(session, cue.name(), listeners);
            return new CueMeeting(cue.id(), cue.name(), listeners, into);
        }

        private void send(CueId from, CueId into) {
            for (Send send : kit.session().find(from).map(Cue::sends).orElse(List.of())) {
                TrackId track = tracks.get(send.trackId());
                session = session.change(into, cue -> cue.withSend(track, each -> send.ofTrack(track)));
            }
            List<DirectLevel> direct = new ArrayList<>(session.direct());
            kit.session().direct().stream()
                    .filter(each -> each.cue().equals(from))
                    .forEach(each ->
                            direct.add(new DirectLevel(into, inputs.get(each.input()), each.level(), each.pan())));
            session = session.withDirect(direct);
        }

        /** The name, with a number behind it if somebody has it. */
        private static String apart(String name, Predicate<String> taken) {
            String free = name;
            for (int number = 2; taken.test(free); number++) {
                free = name + " " + number;
            }
            return free;
        }
    }
}
