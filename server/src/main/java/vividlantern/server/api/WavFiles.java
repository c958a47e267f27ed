package vividlantern.server.api;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpHeaders;
import vividlantern.basics.Refused;
import vividlantern.engine.Rendering;
import vividlantern.engine.SongRange;
import vividlantern.session.Session;
import vividlantern.sound.WavWriter;

/** What files of sound are asked for, and how they are sent. */
final class WavFiles {

    private static final double EARLIEST_SECONDS = -60;

    private WavFiles() {}

    static SongRange range(Session session, double from, double seconds) {
        double earliest = Math.min(
                EARLIEST_SECONDS, Math.floor(Rendering.longestCountInFrame(session) / (double) session.sampleRate()));
        if (!(from >= earliest && from <= SongRange.LONGEST_SECONDS)) {
            throw new Refused(
                    "A file begins between " + Math.round(earliest)
                            + " s of the song, as far as the longest count-in, and "
                            + Math.round(SongRange.LONGEST_SECONDS)
                            + " s.",
                    "from");
        }
        if (!(seconds > 0 && seconds <= SongRange.LONGEST_SECONDS)) {
            throw new Refused("A file has more than 0 seconds and up to four hours.", "seconds");
        }
        return new SongRange(
                Math.round(from * session.sampleRate()),
                Math.max(1, Math.round(seconds * session.sampleRate())),
                Rendering.wholeSong(session));
    }

    static void describe(
            HttpServletResponse response,
            Session session,
            String what,
            WavWriter.SampleFormat format,
            SongRange range) {
        response.setContentType("audio/wav");
        response.setContentLengthLong(WavWriter.fileBytes(format, range.frames()));
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, Downloads.named(session, what, "wav"));
    }

    static WavWriter begin(
            HttpServletResponse response, Session session, WavWriter.SampleFormat format, SongRange range)
            throws IOException {
        return new WavWriter(response.getOutputStream(), format, session.sampleRate(), range.frames(), range.from());
    }

    static WavWriter.SampleFormat format(String bits) {
        return switch (bits) {
            case "16" -> WavWriter.SampleFormat.INT_16;
            case "24" -> WavWriter.SampleFormat.INT_24;
            case "32f" -> WavWriter.SampleFormat.FLOAT_32;
            default -> throw new Refused("A WAV is written with 16, 24 or 32f bits.", "bits");
        };
    }
}
