package vividlantern.history;

import java.util.Collection;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.TreeMap;

/** The newest lines of a log, kept at hand; what lies further back is read when somebody asks for it. */
final class RecentLines<K, P> {

    private static final int KEPT = 2000;
    private static final int CHUNK = 50;
    /** Of so many people lines are kept at hand; those of others are read anew when they come back. */
    private static final int PEOPLE = 256;

    /** A person's lines at hand: all they have from a number on. */
    private static final class Own<K, P> {
        private final NavigableMap<Long, LogEntry<K, P>> lines = new TreeMap<>();
        private long from;

        private Own(long from) {
            this.from = from;
        }
    }

    private final StoredLog<K, P> stored;
    private final long openedAfter;
    private final NavigableMap<Long, LogEntry<K, P>> byNumber = new TreeMap<>();
    private final NavigableMap<Long, LogEntry<K, P>> byRevision = new TreeMap<>();
    /** The people who looked last, the latest at the end. */
    private final Map<String, Own<K, P>> byPerson = new LinkedHashMap<>(16, 0.75f, true);

    private boolean someoneWasForgotten;
    private long lastNumber;
    /** All lines that stand after this revision are at hand. */
    private long knownSince;

    /** @param revision the revision at which the log is opened */
    RecentLines(StoredLog<K, P> stored, long revision) {
        this.stored = stored;
        lastNumber = stored.lastNumber();
        openedAfter = lastNumber;
        knownSince = revision;
    }

    long lastNumber() {
        return lastNumber;
    }

    /** Takes in a line that was stored just now, new or in a new state. */
    void put(LogEntry<K, P> line) {
        hold(line);
        lastNumber = Math.max(lastNumber, line.number());
        while (byNumber.size() > KEPT) {
            drop(byNumber.firstEntry().getValue());
        }
    }

    private void hold(LogEntry<K, P> line) {
        LogEntry<K, P> before = byNumber.put(line.number(), line);
        if (before != null) {
            byRevision.remove(before.revision());
        }
        byRevision.put(line.revision(), line);
        Own<K, P> own = own(line.person());
        if (line.number() >= own.from) {
            own.lines.put(line.number(), line);
        }
    }

    private void drop(LogEntry<K, P> line) {
        byNumber.remove(line.number());
        byRevision.remove(line.revision());
        knownSince = Math.max(knownSince, line.revision());
        Own<K, P> own = own(line.person());
        own.lines.remove(line.number());
        own.from = Math.max(own.from, line.number() + 1);
    }

    private Own<K, P> own(String person) {
        Own<K, P> own = byPerson.get(person);
        if (own == null) {
            own = new Own<>(someoneWasForgotten ? lastNumber + 1 : openedAfter + 1);
            byPerson.put(person, own);
            if (byPerson.size() > PEOPLE) {
                byPerson.remove(byPerson.keySet().iterator().next());
                someoneWasForgotten = true;
            }
        }
        return own;
    }

    Optional<LogEntry<K, P>> line(long number) {
        return Optional.ofNullable(byNumber.get(number)).or(() -> stored.line(number));
    }

    /** Everybody's lines that stand after a revision. */
    Collection<LogEntry<K, P>> since(long revision) {
        return revision >= knownSince ? byRevision.tailMap(revision, false).values() : stored.since(revision);
    }

    /** A person's lines, newest first. */
    Iterable<LogEntry<K, P>> of(String person) {
        return () -> new Backwards(own(person), person);
    }

    private final class Backwards implements Iterator<LogEntry<K, P>> {

        private final Own<K, P> own;
        private final String person;
        private long before = Long.MAX_VALUE;

        private Backwards(Own<K, P> own, String person) {
            this.own = own;
            this.person = person;
        }

        @Override
        public boolean hasNext() {
            if (own.lines.lowerKey(before) == null && own.from > 1) {
                readOn();
            }
            return own.lines.lowerKey(before) != null;
        }

        private void readOn() {
            List<LogEntry<K, P>> more = stored.of(person, own.from, CHUNK);
            own.from = more.size() < CHUNK ? 1 : more.get(more.size() - 1).number();
            more.forEach(RecentLines.this::hold);
        }

        @Override
        public LogEntry<K, P> next() {
            if (!hasNext()) {
                throw new NoSuchElementException();
            }
            LogEntry<K, P> line = own.lines.lowerEntry(before).getValue();
            before = line.number();
            return line;
        }
    }
}
