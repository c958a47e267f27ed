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
}
