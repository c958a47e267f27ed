package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.format.KitDocument;
import vividlantern.format.SettingDocument;
import vividlantern.patch.Fit;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.KitDesk;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.session.cue.CueId;
import vividlantern.template.Kit;
import vividlantern.template.KitId;
import vividlantern.template.KitPlacing;
import vividlantern.template.Setting;
import vividlantern.template.SettingId;
import vividlantern.template.Template;

/** Kits and settings: tracks, and how a track is set, kept to be used again. */
@RestController
@RequestMapping("/api")
class KitsController {

    /** Tracks to keep as a kit. */
    record WantedKit(
            String title,
            @JsonSetter(nulls = Nulls.AS_EMPTY) String description,
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<String> tags,
            Template.Picture picture,
            List<TrackId> tracks) {}

    /**
     * A kit on the shelf.
     *
     * @param words what it holds
     */
    record KitCard(KitId id, Template.About about, String words) {}

    /** Which cue of the session the sends to a cue of a kit go into; none leaves them out. */
    record CueAnswer(CueId cue, Optional<CueId> into) {}

    /**
     * A kit to put in, where somebody said which cues its sends go into.
     *
     * @param performers whether performers of its inputs who are not in the session are added
     */
    record WantedPlacing(
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<CueAnswer> cues,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean performers) {}

    /**
     * How a kit goes into a session.
     *
     * @param lines where its inputs go
     * @param cues where its sends go
     * @param missing the performers of its inputs who are not in the session
     * @param words what else is to be known, a sentence each
     */
    record PlacedKit(
            List<Fit.FitLine> lines,
            List<String> proposals,
            List<KitPlacing.CueMeeting> cues,
            List<String> missing,
            List<String> words) {}

    /** How a track is set, to be kept by name. */
    record WantedSetting(String title, TrackId track, List<Setting.What> holds) {}

    /**
     * A setting on the shelf.
     *
     * @param click whether it is of a click's track; it fits those only
     */
    record SettingCard(SettingId id, String title, List<Setting.What> holds, boolean click) {}

    /**
     * What tracks can be set like.
     *
     * @param tracks those of the session that fit one of them at least
     * @param left those among them that nothing can be given to
     */
    record OfferedSettings(List<SettingCard> kept, List<TrackId> tracks, List<TrackId> left) {}

    /** A track whose settings shall be copied to others. */
    record WantedCopy(TrackId from, List<TrackId> to, List<Setting.What> holds) {}

    private final KitDesk desk;
    private final Desk sessions;

    KitsController(KitDesk desk, Desk sessions) {
        this.desk = desk;
        this.sessions = sessions;
    }

    @GetMapping("/kits")
    List<KitCard> kits() {
        return desk.kits().stream().map(KitsController::card).toList();
    }

    /** Keeps tracks as a kit, with their inputs, groups and sends. */
    @PostMapping("/sessions/{session}/kits")
    @ResponseStatus(HttpStatus.CREATED)
    KitCard keep(@PathVariable String session, @RequestBody WantedKit wanted) {
        Template.About about =
                new Template.About(wanted.title(), wanted.description(), wanted.tags(), wanted.picture());
        return card(desk.keep(new SessionId(session), about, wanted.tracks()));
    }

    /** Brings a kit up to date from tracks of a session. */
    @PostMapping("/sessions/{session}/kits/{kit}/update")
    KitCard update(
            @PathVariable String session,
            @PathVariable String kit,
            @RequestBody TracksController.SelectedTracks wanted) {
        return card(desk.update(new KitId(kit), new SessionId(session), wanted.tracks()));
    }

    @DeleteMapping("/kits/{kit}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String kit) {
        desk.remove(new KitId(kit));
    }

    /** How a kit would go into a session. */
    @PostMapping("/sessions/{session}/kits/{kit}/preview")
    PlacedKit preview(@PathVariable String session, @PathVariable String kit, @RequestBody WantedPlacing wanted) {
        KitPlacing placing = desk.placing(new KitId(kit), new SessionId(session), answers(wanted));
        return new PlacedKit(
                placing.fitted().toBeRead(),
                placing.fitted().proposals(),
                placing.cues(),
                placing.missing(),
                placing.words());
    }

    /** Puts a kit into a session, as one change. */
    @PostMapping("/sessions/{session}/kits/{kit}")
    SessionsController.Changed put(
            @PathVariable String session,
            @PathVariable String kit,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestBody WantedPlacing wanted) {
        return SessionsController.Changed.of(
                desk.put(new KitId(kit), new SessionId(session), Requests.shortId(person), answers(wanted)));
    }

    private static KitPlacing.Answers answers(WantedPlacing wanted) {
        Map<CueId, Optional<CueId>> answers = new HashMap<>();
        wanted.cues().forEach(answer -> answers.put(answer.cue(), answer.into()));
        return new KitPlacing.Answers(answers, wanted.performers());
    }

    /** The kit as a document. */
    @GetMapping("/kits/{kit}/document.json")
    KitDocument document(@PathVariable String kit) {
        return KitDocument.of(desk.kit(new KitId(kit)));
    }

    /** Takes in a kit from a document. */
    @PostMapping("/kits/import")
    @ResponseStatus(HttpStatus.CREATED)
    KitCard takeIn(@RequestBody KitDocument document) {
        return card(desk.takeIn(document.checked()));
    }

    /** The JSON schema of a kit's document. */
    @GetMapping("/kits/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> schema() {
        return KitDocument.schema();
    }

    @GetMapping("/settings")
    List<SettingCard> settings() {
        return desk.settings().stream().map(KitsController::card).toList();
    }

    /** What tracks can be set like: settings that are kept, and other tracks. */
    @PostMapping("/sessions/{session}/settings/offered")
    OfferedSettings offered(@PathVariable String session, @RequestBody TracksController.SelectedTracks wanted) {
        Setting.Offered offered =
                Setting.offered(desk.settings(), sessions.session(new SessionId(session)), wanted.tracks());
        return new OfferedSettings(
                offered.kept().stream().map(KitsController::card).toList(), offered.tracks(), offered.left());
    }

    /** Keeps how a track is set. */
    @PostMapping("/sessions/{session}/settings")
    @ResponseStatus(HttpStatus.CREATED)
    SettingCard keep(@PathVariable String session, @RequestBody WantedSetting wanted) {
        return card(desk.keep(new SessionId(session), wanted.title(), wanted.holds(), wanted.track()));
    }

    @DeleteMapping("/settings/{setting}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeSetting(@PathVariable String setting) {
        desk.remove(new SettingId(setting));
    }

    /** The edits that set tracks as a setting says. */
    @PostMapping("/sessions/{session}/settings/{setting}")
    InputListController.Proposed use(
            @PathVariable String session,
            @PathVariable String setting,
            @RequestBody TracksController.SelectedTracks wanted) {
        Session open = sessions.session(new SessionId(session));
        return new InputListController.Proposed(
                desk.setting(new SettingId(setting)).edits(open, wanted.tracks()));
    }

    /** The edits that copy how a track is set to others. */
    @PostMapping("/sessions/{session}/tracks/copy-settings")
    InputListController.Proposed copy(@PathVariable String session, @RequestBody WantedCopy wanted) {
        Session open = sessions.session(new SessionId(session));
        Setting setting = Setting.of(new SettingId("copied"), "Copied", wanted.holds(), open, wanted.from());
        return new InputListController.Proposed(setting.edits(open, wanted.to()));
    }

    /** The setting as a document. */
    @GetMapping("/settings/{setting}/document.json")
    SettingDocument settingDocument(@PathVariable String setting) {
        return SettingDocument.of(desk.setting(new SettingId(setting)));
    }

    /** Takes in a setting from a document. */
    @PostMapping("/settings/import")
    @ResponseStatus(HttpStatus.CREATED)
    SettingCard takeIn(@RequestBody SettingDocument document) {
        return card(desk.takeIn(document.checked()));
    }

    /** The JSON schema of a setting's document. */
    @GetMapping("/settings/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> settingSchema() {
        return SettingDocument.schema();
    }

    private static KitCard card(Kit kit) {
        return new KitCard(kit.id(), kit.about(), kit.words());
    }

    private static SettingCard card(Setting setting) {
        return new SettingCard(setting.id(), setting.title(), setting.holds(), setting.click());
    }
}
