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
import vividlantern.history.LogEntry;

/** The columns of a log line, of a session or a rig: the edits as they came and the touched parts before and after. */
@MappedSuperclass
abstract class LogColumns {

    private static final int LONGEST_SUMMARY = 1000;

    long revision;
    OffsetDateTime madeAt = OffsetDateTime.now(ZoneOffset.UTC);
    String person;
    String gesture;
    String summary;

    @Lob
    String edits = "[]";

    @Lob
    String partsBefore;

    @Lob
    String partsAfter;

    @Column(name = "of_number")
    Long of;

    @Enumerated(EnumType.STRING)
    LogEntry.State state;

    void take(LogEntry<?, ?> line) {
        revision = line.revision();
        person = line.person();
        gesture = line.gesture();
        summary = line.summary()
                .substring(0, Math.min(LONGEST_SUMMARY, line.summary().length()));
        partsBefore = Documents.writeParts(line.before());
        partsAfter = Documents.writeParts(line.after());
        of = line.of().isPresent() ? line.of().getAsLong() : null;
        state = line.state();
    }

    <K, P> LogEntry<K, P> line(long number, Function<String, Map<K, Optional<P>>> parts) {
        return new LogEntry<>(
                number,
                revision,
                person,
                gesture,
                summary,
                parts.apply(partsBefore),
                parts.apply(partsAfter),
                of == null ? OptionalLong.empty() : OptionalLong.of(of),
                state);
    }
}
