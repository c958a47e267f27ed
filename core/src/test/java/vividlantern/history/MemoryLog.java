package vividlantern.history;

import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/** A log as a store would keep it, in memory; counts how many lines were read from it. */
public final class MemoryLog<K, P> implements StoredLog<K, P> {

    private final NavigableMap<Long, LogEntry<K, P>> lines = new TreeMap<>();
    private int read;

    /** Stores what a request led to. */
    public void save(History.Outcome<?, K, P> outcome) {
        outcome.restated().forEach(line -> lines.put(line.number(), line));
        outcome.line().ifPresent(line -> lines.put(line.number(), line));
    }

    /** Folds all lines up to a number into one. */
    public void fold(long number) {
        LogEntry<K, P> last = lines.get(number);
        lines.headMap(number, true).clear();
        lines.put(number, LogEntry.folded(number, last.revision()));
    }

    public List<LogEntry<K, P>> lines() {
        return List.copyOf(lines.values());
    }

    public int read() {
        return read;
    }

    @Override
    public long lastNumber() {
        return lines.isEmpty() ? 0 : lines.lastKey();
    }

    @Override
    public Optional<LogEntry<K, P>> line(long number) {
        return counted(Optional.ofNullable(lines.get(number)).stream().toList()).stream()
                .findFirst();
    }

    @Override
    public List<LogEntry<K, P>> of(String person, long before, int most) {
        return counted(lines.headMap(before, false).descendingMap().values().stream()
                .filter(line -> line.person().equals(person))
                .limit(most)
                .toList());
    }

    @Override
    public List<LogEntry<K, P>> since(long revision) {
        return counted(lines.values().stream()
                .filter(line -> line.revision() > revision)
                .toList());
    }

    private List<LogEntry<K, P>> counted(List<LogEntry<K, P>> found) {
        read += found.size();
        return found;
    }
}
