package vividlantern.server.api;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.format.Bundle;
import vividlantern.rig.RigId;
import vividlantern.server.desk.BundleDesk;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.MediaDesk;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.template.Needs;

/** Sessions as bundles: a ZIP file with all that belongs to one. */
@RestController
@RequestMapping("/api/sessions")
class BundlesController {

    private static final String ZIP = "application/zip";
    /** Takes the session in with its own rig, as a new one. */
    private static final String OWN = "own";

    /**
     * What a bundle holds.
     *
     * @param needs what its session needs of a rig, in words
     * @param rigName what its rig is called
     * @param sameRig the rig here that is the same; none if there is none
     * @param fits how the session would fit the rigs that are here
     */
    record BundleContents(
            String name,
            String song,
            String needs,
            int tracks,
            int cues,
            String rigName,
            Optional<RigId> sameRig,
            List<TemplateDesk.FitOfRig> fits) {}

    private final Desk desk;
    private final BundleDesk bundles;
    private final LiveRig live;
    private final MediaDesk media;

    BundlesController(Desk desk, BundleDesk bundles, LiveRig live, MediaDesk media) {
        this.media = media;
        this.desk = desk;
        this.bundles = bundles;
        this.live = live;
    }

    /** The session with its rig, lists, tempo, sheets and sounds, as a ZIP file. */
    @GetMapping("/{session}/bundle.zip")
    @ApiResponse(responseCode = "200", content = @Content(mediaType = ZIP))
    void bundle(@PathVariable String session, HttpServletResponse response) throws IOException {
        Session open = desk.session(new SessionId(session));
        Bundle bundle = new Bundle(open, desk.rigOf(open.id()));
        response.setContentType(ZIP);
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(open, "bundle", "zip"));
        bundle.write(LocalDate.now(), response.getOutputStream(), media::asItCame);
    }

    /** What a bundle holds, and how it would fit the rigs that are here. Nothing is taken in. */
    @PostMapping(path = "/import/preview", consumes = ZIP)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = ZIP, schema = @Schema(type = "string", format = "binary")),
            required = true)
    BundleContents preview(InputStream body) throws IOException {
        Bundle bundle = Bundle.read(body, (name, wav) -> {});
        Session session = bundle.session();
        return new BundleContents(
                session.name(),
                session.song(),
                Needs.of(session),
                session.tracks().size(),
                session.cues().size(),
                bundle.rig().name(),
                bundles.sameRig(bundle),
                bundles.fits(bundle));
    }

    /**
     * Takes a bundle's session in as a new one.
     *
     * @param rig "own" for its own rig, as a new one; else the id of a rig that is here: taken as it is if that is the same as
     *     its own, fitted to it if not
     */
    @PostMapping(path = "/import", consumes = ZIP)
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(mediaType = ZIP, schema = @Schema(type = "string", format = "binary")),
            required = true)
    Session takeIn(
            @RequestHeader(name = SessionsController.PERSON, defaultValue = "") String person,
            @RequestParam String rig,
            InputStream body)
            throws IOException {
        Session made = media.takeIn(body, bundle -> takeIn(bundle, rig, Requests.shortId(person)));
        live.takeIfFree(made.id());
        return made;
    }

    private Session takeIn(Bundle bundle, String rig, String person) {
        if (rig.equals(OWN)) {
            return bundles.takeInWithRig(bundle);
        }
        RigId on = new RigId(rig);
        return bundles.sameRig(bundle).equals(Optional.of(on))
                ? bundles.takeInOn(bundle, on)
                : bundles.takeInFitted(bundle, on, person);
    }
}
