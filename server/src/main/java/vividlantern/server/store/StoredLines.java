package vividlantern.server.store;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.LongFunction;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import vividlantern.history.History;
import vividlantern.history.LogEntry;
import vividlantern.history.StoredLog;

/**
 * The stored lines of one session's or rig's log. One that cannot be understood is left out, and said in the program's log.
 *
 * @param <R> the rows, which know how to read themselves
 */
final class StoredLines<R extends LogColumns<K, P>, K, P> implements StoredLog<K, P> {

    private static final Logger LOG = LoggerFactory.getLogger(StoredLines.class);

    private final EntityManager entities;
    private final TransactionTemplate reading;
    private final Class<R> rows;
    private final String owner;
    private final String id;

    /** @param owner the field of the rows' keys that says whose lines they are */
    StoredLines(
            EntityManager entities, PlatformTransactionManager transactions, Class<R> rows, String owner, String id) {
        this.entities = entities;
        reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        this.rows = rows;
        this.owner = owner;
        this.id = id;
    }

    @Override
    public long lastNumber() {
        return inOne(() -> entities.createQuery("select max(r.key.number)" + from(""), Long.class)
                .setParameter("id", id)
                .getResultStream()
                .filter(number -> number != null)
                .findFirst()
                .orElse(0L));
    }

    @Override
    public Optional<LogEntry<K, P>> line(long number) {
        return inOne(() -> query("and r.key.number = :number").setParameter("number", number).getResultList().stream()
                .flatMap(row -> read(row).stream())
                .findFirst());
    }

    @Override
    public List<LogEntry<K, P>> of(String person, long before, int most) {
        return inOne(() -> {
            List<LogEntry<K, P>> found = new ArrayList<>();
            long last = before;
            while (found.size() < most) {
                List<R> more = query("and r.person = :person and r.key.number < :before order by r.key.number desc")
                        .setParameter("person", person)
                        .setParameter("before", last)
                        .setMaxResults(most)
                        .getResultList();
                if (more.isEmpty()) {
                    break;
                }
                more.forEach(row -> read(row).ifPresent(found::add));
                last = more.get(more.size() - 1).number();
            }
            return found.size() > most ? found.subList(0, most) : found;
        });
    }

    @Override
    public List<LogEntry<K, P>> since(long revision) {
        return inOne(() -> read(query("and r.revision > :revision order by r.revision")
                .setParameter("revision", revision)
                .getResultList()));
    }

    /**
     * A page of the lines that can be read, newest first.
     *
     * @param word stands in what they say
     * @param person who made them; "" for anybody
     */
    List<R> page(String word, String person, int page, int size) {
        return inOne(() -> found(word, person)
                .setParameter("before", Long.MAX_VALUE)
                .setFirstResult(page * size)
                .setMaxResults(size)
                .getResultList()
                .stream()
                .filter(row -> read(row).isPresent())
                .toList());
    }

    /** The same of the lines that touch a part, or parts, whose key is or begins as given. */
    List<R> page(String word, String person, String part, int page, int size) {
        Predicate<K> touching =
                key -> key.toString().equals(part) || key.toString().startsWith(part + "/");
        return inOne(() -> {
            List<R> found = new ArrayList<>();
            long before = Long.MAX_VALUE;
            int most = Math.multiplyExact(page + 1, size);
            while (found.size() < most) {
                List<R> more = found(word, person)
                        .setParameter("before", before)
                        .setMaxResults(most)
                        .getResultList();
                if (more.isEmpty()) {
                    break;
                }
                more.stream()
                        .filter(row -> mayTouch(row, part))
                        .filter(row -> read(row)
                                .filter(line -> line.after().keySet().stream().anyMatch(touching))
                                .isPresent())
                        .forEach(found::add);
                before = more.get(more.size() - 1).number();
            }
            return List.copyOf(found.subList(Math.min(page * size, found.size()), Math.min(most, found.size())));
        });
    }

    /** One that is damaged may; reading it says so. */
    private static boolean mayTouch(LogColumns<?, ?> row, String part) {
        try {
            return row.mayTouch(part);
        } catch (RuntimeException damaged) {
            return true;
        }
    }

    private TypedQuery<R> found(String word, String person) {
        return query("and r.key.number < :before and lower(r.summary) like :word escape '!'"
                        + " and (:person = '' or r.person = :person) order by r.key.number desc")
                .setParameter("word", containing(word))
                .setParameter("person", person);
    }

    /** What "like" compares with to find a text anywhere, whatever signs it has. */
    static String containing(String text) {
        return "%" + text.toLowerCase(Locale.ROOT).replaceAll("[!%_]", "!$0") + "%";
    }

    /**
     * Writes down what a request led to, in the transaction that stores it.
     *
     * @param edits as they came, in JSON
     * @param fresh makes a row for a number
     */
    void save(History.Outcome<?, K, P> outcome, String edits, LongFunction<R> fresh) {
        outcome.restated()
                .forEach(line -> entities.createQuery("update " + rows.getSimpleName()
                                + " r set r.state = :state where r.key." + owner + " = :id and r.key.number = :number")
                        .setParameter("state", line.state())
                        .setParameter("id", id)
                        .setParameter("number", line.number())
                        .executeUpdate());
        outcome.line().ifPresent(line -> {
            R row = outcome.goesOn()
                    ? query("and r.key.number = :number")
                            .setParameter("number", line.number())
                            .getSingleResult()
                    : fresh.apply(line.number());
            row.take(line, edits);
            if (!outcome.goesOn()) {
                entities.persist(row);
            }
        });
    }

    /**
     * Folds all but the newest lines into one, under the number of the last of those, if there are more.
     *
     * @param keep how many of the newest stay as they are
     */
    void fold(int keep, LongFunction<R> fresh) {
        query("order by r.key.number desc")
                .setFirstResult(keep)
                .setMaxResults(1)
                .getResultList()
                .forEach(last -> {
                    long number = last.number();
                    long revision = last.revision;
                    entities.detach(last);
                    entities.createQuery("delete" + from("and r.key.number <= :number"))
                            .setParameter("id", id)
                            .setParameter("number", number)
                            .executeUpdate();
                    R row = fresh.apply(number);
                    row.take(LogEntry.folded(number, revision), "[]");
                    entities.persist(row);
                });
    }

    private TypedQuery<R> query(String more) {
        return entities.createQuery("select r" + from(more), rows).setParameter("id", id);
    }

    private String from(String more) {
        return " from " + rows.getSimpleName() + " r where r.key." + owner + " = :id " + more;
    }

    private List<LogEntry<K, P>> read(List<R> found) {
        return found.stream().flatMap(row -> read(row).stream()).toList();
    }

    private Optional<LogEntry<K, P>> read(R row) {
        try {
            return Optional.of(row.line());
        } catch (RuntimeException damaged) {
            LOG.warn("Line {} of the log of {} cannot be read.", row.number(), id, damaged);
            return Optional.empty();
        }
    }

    private <T> T inOne(Supplier<T> question) {
        return reading.execute(status -> question.get());
    }
}
