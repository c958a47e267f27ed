package vividlantern.server.api;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import vividlantern.session.Session;

/** How a downloaded file is called. */
final class Downloads {

    private Downloads() {}

    /** "Low Water, The Ferryman's Daughter, input list.csv" as a Content-Disposition. */
    static String named(Session session, String what, String extension) {
        String song = session.song().isEmpty() ? "" : ", " + session.song();
        return named(session.name() + song, what, extension);
    }

    static String named(String owner, String what, String extension) {
        return ContentDisposition.attachment()
                .filename(owner + ", " + what + "." + extension, StandardCharsets.UTF_8)
                .build()
                .toString();
    }

    static ResponseEntity<byte[]> file(Session session, String what, String extension, String type, byte[] content) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, named(session, what, extension))
                .body(content);
    }
}
