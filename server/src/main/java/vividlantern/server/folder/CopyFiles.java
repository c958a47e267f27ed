package vividlantern.server.folder;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * The files in which copies lie: packed ones that the program makes, and databases that were set aside when a copy took their
 * place. The time they are from is their name.
 */
public final class CopyFiles {

    private static final int KEPT = 10;
    private static final String PACKED = ".zip";
    private static final String REPLACED = "-replaced.mv.db";
    private static final String UNFINISHED = ".unfinished";
    private static final String STAMP = "yyyy-MM-dd-HHmmss-SSS";
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern(STAMP);

    private final Path folder;

    public CopyFiles(DataFolder data) {
        folder = data.copies();
    }

    public List<Path> newestFirst() throws IOException {
        return list(name -> name.endsWith(PACKED) || name.endsWith(REPLACED));
    }

    public Optional<Path> named(String name) throws IOException {
        return newestFirst().stream()
                .filter(file -> file.getFileName().toString().equals(name))
                .findFirst();
    }

    /** When a copy was made, or a database set aside, by the clock of this machine. */
    public static LocalDateTime madeAt(Path file) {
        return time(file.getFileName().toString()).orElseThrow();
    }

    public static boolean isReplaced(Path file) {
        return file.toString().endsWith(REPLACED);
    }

    private static Optional<LocalDateTime> time(String name) {
        try {
            return Optional.of(LocalDateTime.parse(name.substring(0, Math.min(name.length(), STAMP.length())), TIME));
        } catch (DateTimeParseException none) {
            return Optional.empty();
        }
    }

    /** Where the next copy is to lie; until it is whole it lies at {@link #unfinished}. */
    public Path next() throws IOException {
        return free(PACKED);
    }

    public static Path unfinished(Path copy) {
        return copy.resolveSibling(copy.getFileName() + UNFINISHED);
    }

    /** Where a database can be set aside. */
    Path nextReplaced() throws IOException {
        return free(REPLACED);
    }

    /** A name nothing has yet. */
    private Path free(String ending) throws IOException {
        Files.createDirectories(folder);
        LocalDateTime time = LocalDateTime.now();
        Path free = folder.resolve(TIME.format(time) + ending);
        while (Files.exists(free)) {
            time = time.plusNanos(1_000_000);
            free = folder.resolve(TIME.format(time) + ending);
        }
        return free;
    }

    /** Lets go of the oldest packed ones beyond ten. What was set aside stays: somebody chose to. */
    public void prune() throws IOException {
        for (Path old : list(name -> name.endsWith(PACKED)).stream().skip(KEPT).toList()) {
            Files.delete(old);
        }
    }

    /** Deletes what was begun when the program was ended. */
    public void removeUnfinished() throws IOException {
        for (Path unfinished : list(name -> name.endsWith(UNFINISHED))) {
            Files.delete(unfinished);
        }
    }

    private List<Path> list(Predicate<String> wanted) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> wanted.test(file.getFileName().toString())
                            && time(file.getFileName().toString()).isPresent())
                    .sorted(Comparator.comparing(Path::getFileName).reversed())
                    .toList();
        }
    }
}
