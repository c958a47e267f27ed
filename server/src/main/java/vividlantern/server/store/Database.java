package vividlantern.server.store;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import javax.sql.DataSource;
import org.h2.tools.Restore;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import vividlantern.server.Options;

/**
 * The database: one H2 file in the data folder. Without a write delay what was acknowledged survives a killed process;
 * against a lost disk there are {@link Copies}.
 */
@Configuration
public class Database {

    private static final String NAME = "lantern";

    @Bean
    DataSource dataSource(Options options) throws IOException {
        Path folder = options.data().toAbsolutePath().normalize();
        try {
            Files.createDirectories(folder);
        } catch (FileAlreadyExistsException notAFolder) {
            throw new IllegalArgumentException(
                    folder + " is not a folder. Choose another: ./start --data DIR", notAFolder);
        }
        HikariDataSource source = new HikariDataSource();
        source.setJdbcUrl("jdbc:h2:file:" + folder.resolve(NAME)
                + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE;MAX_LENGTH_INPLACE_LOB=16384");
        source.setUsername("sa");
        source.setPassword("");
        source.setMaximumPoolSize(4);
        return source;
    }

    /** Puts a copy in the place of the database, before that is opened; what stood there is kept beside it. */
    public static void restore(Path copy, Path folder) {
        Path file = folder.resolve(NAME + ".mv.db");
        try {
            if (!Files.isReadable(copy)) {
                throw new IllegalArgumentException("There is no copy " + copy + " to restore.");
            }
            Files.createDirectories(folder);
            if (Files.exists(file)) {
                Files.move(file, folder.resolve("before-restore.mv.db"), StandardCopyOption.REPLACE_EXISTING);
            }
            Restore.execute(copy.toString(), folder.toString(), NAME);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
