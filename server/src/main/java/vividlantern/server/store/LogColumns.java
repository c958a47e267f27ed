package vividlantern.server.store;

import jakarta.persistence.Column;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Lob;
import jakarta.persistence.MappedSuperclass;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import vividlantern.format.Documents;
import vividlantern.format.PackedLine;
import vividlantern.history.LogEntry;

/**
 * The columns of a log line, of a session or a rig. What it holds is packed; lines of earlier versions have the edits as they
 * came, and the touched parts before and after, in columns of their own.
 */
@MappedSuperclass
abstract class LogColumns<K, P> {

    private static final int LONGEST_SUMMARY = 1000;

    long revision;
    OffsetDateTime madeAt = OffsetDateTime.now(ZoneOffset.UTC);
    String person;
    String gesture;
    String summary;

    @Lob
    private String edits;

    @Lob
    private String partsBefore;

    @Lob
    private String partsAfter;

    @Lob
    private byte[] packed;

    @Column(name = "of_number")
    Long of;

    @Enumerated(EnumType.STRING)
    LogEntry.State state;

    abstract long number();

    /** The line, read. */
    abstract LogEntry<K, P> line();

    /** @param newEdits as they came, in JSON */
    void take(LogEntry<K, P> line, String newEdits) {
        revision = line.revision();
        person = line.person();
        gesture = line.gesture();
        summary = line.summary()
                .substring(0, Math.min(LONGEST_SUMMARY, line.summary().length()));
        packed = new PackedLine(newEdits, Documents.writeParts(line.before()), Documents.writeParts(line.after()))
                .pack();
        edits = null;
        partsBefore = null;
        partsAfter = null;
        of = line.of().isPresent() ? line.of().getAsLong() : null;
        state = line.state();
    }

    /** Whether it may touch a part whose key begins so; false only if it surely does not. */
    boolean mayTouch(String part) {
        String key = "\"" + part;
        return packed == null ? partsAfter.contains(key) : PackedLine.mentions(packed, key);
    }

    private PackedLine content() {
        return packed == null ? new PackedLine(edits, partsBefore, partsAfter) : PackedLine.unpack(packed);
    }

    LogEntry<K, P> line(Function<String, Map<K, Optional<P>>> parts) {
        PackedLine content = content();
        return new LogEntry<>(
                number(),
                revision,
                person,
                gesture,
                summary,
                parts.apply(content.before()),
                parts.apply(content.after()),
                of == null ? OptionalLong.empty() : OptionalLong.of(of),
                state);
    }
}
