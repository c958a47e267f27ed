package vividlantern.history;

import java.util.List;
import java.util.Optional;

/** The lines of a log that are stored, read as they are needed. */
public interface StoredLog<K, P> {

    /** The number of the last line; 0 if there is none. */
    long lastNumber();

    Optional<LogEntry<K, P>> line(long number);

    /** A person's lines before a number, newest first: so many, or all there are. */
    List<LogEntry<K, P>> of(String person, long before, int most);

    /** Everybody's lines that stand after a revision. */
    List<LogEntry<K, P>> since(long revision);

    /** A log in which nothing is stored. */
    static <K, P> StoredLog<K, P> empty() {
        return new StoredLog<>() {
            @Override
            public long lastNumber() {
                return 0;
            }

            @Override
            public Optional<LogEntry<K, P>> line(long number) {
                return Optional.empty();
            }

            @Override
            public List<LogEntry<K, P>> of(String person, long before, int most) {
                return List.of();
            }

            @Override
            public List<LogEntry<K, P>> since(long revision) {
                return List.of();
            }
        };
    }
}
