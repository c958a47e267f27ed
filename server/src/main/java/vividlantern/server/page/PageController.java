package vividlantern.server.page;

import io.swagger.v3.oas.annotations.Hidden;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import vividlantern.server.desk.NotFound;

/** The page: the same for every address a person can stand at, never cached, with a nonce of its own each time. */
@Controller
@Hidden
class PageController {

    private static final String PLACE_OF_NONCE = "__NONCE__";
    private static final SecureRandom RANDOM = new SecureRandom();

    @GetMapping({"/", "/sessions/{session}", "/sessions/{session}/{step}"})
    ResponseEntity<String> page() throws IOException {
        Resource index = new ClassPathResource("static/index.html");
        if (!index.exists()) {
            throw new NotFound("This program was packaged without its page.");
        }
        byte[] random = new byte[16];
        RANDOM.nextBytes(random);
        String nonce = HexFormat.of().formatHex(random);
        String html = index.getContentAsString(StandardCharsets.UTF_8).replace(PLACE_OF_NONCE, nonce);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .header("Content-Security-Policy", policy(nonce))
                .contentType(MediaType.TEXT_HTML)
                .body(html);
    }

    /** Own files only; styles that the controls write at run time carry the nonce. */
    private static String policy(String nonce) {
        return "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-" + nonce + "'; font-src 'self';"
                + " img-src 'self' data:; connect-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'none';"
                + " frame-ancestors 'none'";
    }
}
