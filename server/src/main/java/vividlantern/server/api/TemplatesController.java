package vividlantern.server.api;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.LinkedHashMap;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Texts;
import vividlantern.format.TemplateDocument;
import vividlantern.patch.Fit;
import vividlantern.patch.Ports;
import vividlantern.rig.PairId;
import vividlantern.rig.PortId;
import vividlantern.rig.RigId;
import vividlantern.server.desk.BinDesk;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.KeptStore;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.cue.CueId;
import vividlantern.template.Beginning;
import vividlantern.template.Comparison;
import vividlantern.template.Needs;
import vividlantern.template.ShippedTemplates;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** Templates: kept from sessions, looked at, and begun from. */
@RestController
@RequestMapping("/api")
class TemplatesController {

    /** A session to keep as a template. */
    record WantedTemplate(
            String title,
            @JsonSetter(nulls = Nulls.AS_EMPTY) String description,
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<String> tags,
            Template.Picture picture,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean withoutNames,
            Optional<Template.PageState> page) {}

    /** A session from which a template shall be brought up to date. */
    record WantedVersion(
            SessionId session,
            @JsonSetter(nulls = Nulls.AS_EMPTY) boolean withoutNames,
            Optional<Template.PageState> page) {}

    /**
     * What a card shows.
     *
     * @param needs what it needs of a rig, in words
     * @param fixed whether it is made from the rig, and can be neither removed nor brought up to date
     */
    record Card(TemplateId id, Template.About about, String needs, boolean fixed) {}

    /** Where an input goes by somebody's choice; no ports leaves it without a place. */
    record ChosenPorts(InputId input, List<PortId> ports) {}

    /** Where a cue goes by somebody's choice; none leaves it without a pair. */
    record ChosenPair(CueId cue, Optional<PairId> pair) {}

    /** A rig on which a template shall begin, and what somebody chose there. */
    record WantedFit(
            RigId rigId,
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<ChosenPorts> ports,
            @JsonSetter(nulls = Nulls.AS_EMPTY) List<ChosenPair> pairs) {

        Beginning.Chosen chosen() {
            Map<InputId, List<PortId>> inputs = new LinkedHashMap<>();
            ports.forEach(each -> inputs.put(each.input(), each.ports()));
            Map<CueId, Optional<PairId>> cues = new LinkedHashMap<>();
            pairs.forEach(each -> cues.put(each.cue(), each.pair()));
            return new Beginning.Chosen(inputs, cues);
        }
    }

    /**
     * Where everything goes that cannot stay where it was.
     *
     * @param widths how many channels each line's input has; 0 for a cue
     * @param places where cables can go on the rig, as it would be then
     * @param pairs the output pairs for cues
     */
    record FitSheet(
            List<Fit.FitLine> lines,
            List<Integer> widths,
            List<String> proposals,
            List<Ports.OfferedPlace> places,
            List<Ports.OfferedPair> pairs) {}

    /**
     * A session to begin from a template.
     *
     * @param after the session whose production it goes on with, as the next song
     */
    record FromTemplate(
            String name, @JsonSetter(nulls = Nulls.AS_EMPTY) String song, WantedFit fit, Optional<SessionId> after) {}

    /**
     * A session that has begun.
     *
     * @param page how the page shall show it; none if the template does not say
     */
    record Begun(SessionId session, Optional<Template.PageState> page) {}

    private final TemplateDesk desk;
    private final BinDesk bin;
    private final LiveRig live;

    TemplatesController(TemplateDesk desk, BinDesk bin, LiveRig live) {
        this.desk = desk;
        this.bin = bin;
        this.live = live;
    }

    @GetMapping("/templates")
    List<Card> templates() {
        return desk.templates().stream().map(TemplatesController::card).toList();
    }

    /** Keeps a session as a template. */
    @PostMapping("/sessions/{session}/template")
    @ResponseStatus(HttpStatus.CREATED)
    Card keep(@PathVariable String session, @RequestBody WantedTemplate wanted) {
        Template.About about =
                new Template.About(wanted.title(), wanted.description(), wanted.tags(), wanted.picture());
        return card(desk.keep(new SessionId(session), about, wanted.withoutNames(), wanted.page()));
    }

    /** Keeps a copy of a template. */
    @PostMapping("/templates/{template}/duplicate")
    @ResponseStatus(HttpStatus.CREATED)
    Card duplicate(@PathVariable String template) {
        return card(desk.duplicate(new TemplateId(template)));
    }

    /** A name that something shall have. */
    record NewName(String name) {}

    /** Gives a template another name, as its next version. */
    @PostMapping("/templates/{template}/name")
    Card rename(@PathVariable String template, @RequestBody NewName wanted) {
        return card(desk.rename(new TemplateId(template), wanted.name()));
    }

    /** Puts a template into the bin, from which it can be taken back. */
    @DeleteMapping("/templates/{template}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String template) {
        bin.remove(new TemplateId(template));
    }

    /** How a template fits each rig. */
    @GetMapping("/templates/{template}/fits")
    List<TemplateDesk.FitOfRig> fits(@PathVariable String template) {
        return desk.onEachRig(new TemplateId(template));
    }

    /** Where everything would go on a rig, line by line, around what somebody chose. */
    @PostMapping("/templates/{template}/fit")
    FitSheet fit(@PathVariable String template, @RequestBody WantedFit wanted) {
        TemplateDesk.OnRig on = desk.onRig(new TemplateId(template), wanted.rigId(), wanted.chosen());
        Beginning beginning = on.beginning();
        Session session = beginning.session();
        List<Fit.FitLine> lines = beginning.fitted().toBeRead();
        List<Integer> widths = lines.stream()
                .map(line ->
                        line.input().flatMap(session::find).map(Input::width).orElse(0))
                .toList();
        List<Ports.OfferedPlace> places = widths.stream()
                .filter(width -> width > 0)
                .distinct()
                .flatMap(width -> Ports.forInputs(session, on.rig(), width).stream())
                .toList();
        return new FitSheet(lines, widths, beginning.fitted().proposals(), places, Ports.forCues(session, on.rig()));
    }

    /** What would change if the template were brought up to date from a session: the template first, the session second. */
    @GetMapping("/templates/{template}/update")
    List<Comparison.Compared> wouldChange(
            @PathVariable String template,
            @RequestParam String session,
            @RequestParam(defaultValue = "false") boolean withoutNames) {
        return desk.wouldChange(new TemplateId(template), new SessionId(session), withoutNames);
    }

    /** Brings the template up to date from a session, as its next version. */
    @PostMapping("/templates/{template}/versions")
    @ResponseStatus(HttpStatus.CREATED)
    Card update(@PathVariable String template, @RequestBody WantedVersion wanted) {
        return card(desk.update(new TemplateId(template), wanted.session(), wanted.withoutNames(), wanted.page()));
    }

    /** The versions of a template, the newest first. */
    @GetMapping("/templates/{template}/versions")
    List<KeptStore.KeptVersion> versions(@PathVariable String template) {
        return desk.versions(new TemplateId(template));
    }

    /** How a version differs from the newest one: that version first, the newest second. */
    @GetMapping("/templates/{template}/versions/{version}/differences")
    List<Comparison.Compared> differences(@PathVariable String template, @PathVariable long version) {
        return desk.differences(new TemplateId(template), version);
    }

    /** Makes an earlier version the newest one again. */
    @PostMapping("/templates/{template}/versions/{version}/restore")
    Card restore(@PathVariable String template, @PathVariable long version) {
        return card(desk.restore(new TemplateId(template), version));
    }

    /** Begins a session from a template; it gets the rig if nobody has it. */
    @PostMapping("/templates/{template}/sessions")
    @ResponseStatus(HttpStatus.CREATED)
    Begun begin(
            @PathVariable String template,
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestBody FromTemplate wanted) {
        String name = Texts.name(wanted.name(), "A session", "name");
        String song = Texts.optional(wanted.song(), "song");
        TemplateId id = new TemplateId(template);
        Beginning begun = desk.begin(
                id, name, song, wanted.fit().rigId(), wanted.fit().chosen(), wanted.after(), Requests.shortId(person));
        SessionId made = begun.session().id();
        if (wanted.after().filter(live::isAtTheRig).isPresent()) {
            live.take(made);
        } else {
            live.takeIfFree(made);
        }
        return new Begun(made, desk.template(id).page());
    }

    /** The template as a document. */
    @GetMapping("/templates/{template}/document.json")
    TemplateDocument document(@PathVariable String template) {
        return TemplateDocument.of(desk.template(new TemplateId(template)));
    }

    /** Takes in a template from a document. */
    @PostMapping("/templates/import")
    @ResponseStatus(HttpStatus.CREATED)
    Card takeIn(@RequestBody TemplateDocument document) {
        return card(desk.takeIn(document.checked()));
    }

    /** The JSON schema of a template's document. */
    @GetMapping("/templates/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> schema() {
        return TemplateDocument.schema();
    }

    private static Card card(Template template) {
        return new Card(
                template.id(),
                template.about(),
                Needs.of(template.session()),
                template.id().equals(ShippedTemplates.EVERY_INPUT));
    }
}
