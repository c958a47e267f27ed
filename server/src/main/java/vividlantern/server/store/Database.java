package vividlantern.server.store;

import com.zaxxer.hikari.HikariDataSource;
import java.util.Objects;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.folder.Options;
import vividlantern.server.folder.Reached;

/**
 * The database: one H2 file in the data folder. Without a write delay what was acknowledged survives a killed process;
 * against a lost disk there are copies.
 */
@Configuration
public class Database {

    /** How long room in the file that holds nothing any more is left alone. */
    private static final int RETENTION_MILLIS = 5000;

    @Bean
    DataFolder dataFolder(Options options) {
        return new DataFolder(options.data());
    }

    @Bean
    HikariDataSource dataSource(DataFolder folder) {
        return source(folder);
    }

    @Bean
    Reached reached(DataFolder folder) {
        return new Reached(folder);
    }

    /** From the start on it is noted how far the database is. */
    @Bean
    SmartInitializingSingleton reachedFromTheStart(Reached reached, JdbcTemplate database) {
        return () -> reached.begin(Objects.requireNonNull(database.queryForObject(Reached.SUM, Long.class)));
    }

    public static HikariDataSource source(DataFolder folder) {
        HikariDataSource source = new HikariDataSource();
        source.setJdbcUrl("jdbc:h2:file:" + folder.path().resolve(DataFolder.NAME)
                + ";WRITE_DELAY=0;RETENTION_TIME=" + RETENTION_MILLIS
                + ";DB_CLOSE_ON_EXIT=FALSE;MAX_LENGTH_INPLACE_LOB=16384");
        source.setUsername("sa");
        source.setPassword("");
        source.setMaximumPoolSize(4);
        return source;
    }
}
