package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.format.TemplateDocument;
import vividlantern.history.Texts;
import vividlantern.patch.Fit;
import vividlantern.rig.RigId;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.SessionId;
import vividlantern.template.Beginning;
import vividlantern.template.Needs;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** Templates: kept from sessions, looked at, and begun from. */
@RestController
@RequestMapping("/api")
class TemplatesController {

    /** A session to keep as a template. */
    record WantedTemplate(
            String title, String description, List<String> tags, Template.Picture picture, boolean withoutNames) {}

    /**
     * What a card shows.
     *
     * @param needs what it needs of a rig, in words
     */
    record Card(TemplateId id, Template.About about, String needs) {}

    /**
     * How a template fits a rig, in one line.
     *
     * @param all whether everything finds a place there
     */
    record FitOfRig(RigId rig, String name, boolean all, String words) {}

    /** A session to begin from a template. */
    record FromTemplate(String name, String song, RigId rigId) {}

    /**
     * A session that has begun.
     *
     * @param lines where those went that could not stay where they were
     */
    record Begun(SessionId session, List<Fit.FitLine> lines, List<String> proposals) {}

    private final TemplateDesk desk;
    private final LiveRig live;

    TemplatesController(TemplateDesk desk, LiveRig live) {
        this.desk = desk;
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
        return card(desk.keep(new SessionId(session), about, wanted.withoutNames()));
    }

    @DeleteMapping("/templates/{template}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String template) {
        desk.remove(new TemplateId(template));
    }

    /** How a template fits each rig. */
    @GetMapping("/templates/{template}/fits")
    List<FitOfRig> fits(@PathVariable String template) {
        return desk.onEachRig(new TemplateId(template)).stream()
                .map(each -> new FitOfRig(
                        each.rig().id(),
                        each.rig().name(),
                        each.beginning().fitted().isWhole(),
                        each.beginning().inOneLine()))
                .toList();
    }

    /** Begins a session from a template; it gets the rig if nobody has it. */
    @PostMapping("/templates/{template}/sessions")
    @ResponseStatus(HttpStatus.CREATED)
    Begun begin(@PathVariable String template, @RequestBody FromTemplate wanted) {
        String name = Texts.name(wanted.name(), "A session", "name");
        String song = Texts.optional(wanted.song(), "song");
        Beginning begun = desk.begin(new TemplateId(template), name, song, wanted.rigId());
        live.takeIfFree(begun.session().id());
        return new Begun(
                begun.session().id(), begun.fitted().lines(), begun.fitted().proposals());
    }

    /** The template as a document. */
    @GetMapping("/templates/{template}/document.json")
    TemplateDocument document(@PathVariable String template) {
        return TemplateDocument.of(desk.template(new TemplateId(template)));
    }

    /** The JSON schema of a template's document. */
    @GetMapping("/templates/schema.json")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = "application/schema+json"))
    Map<String, Object> schema() {
        return TemplateDocument.schema();
    }

    private static Card card(Template template) {
        return new Card(template.id(), template.about(), Needs.of(template.session()));
    }
}
