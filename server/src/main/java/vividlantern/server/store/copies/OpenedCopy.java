package vividlantern.server.store.copies;

import java.nio.file.Path;
import java.util.Map;
import javax.sql.DataSource;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.flyway.autoconfigure.FlywayAutoConfiguration;
import org.springframework.boot.hibernate.autoconfigure.HibernateJpaAutoConfiguration;
import org.springframework.boot.jdbc.autoconfigure.DataSourceTransactionManagerAutoConfiguration;
import org.springframework.boot.persistence.autoconfigure.EntityScan;
import org.springframework.boot.transaction.autoconfigure.TransactionAutoConfiguration;
import org.springframework.context.annotation.AnnotationConfigApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.core.env.Environment;
import org.springframework.core.env.MapPropertySource;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.folder.Reached;
import vividlantern.server.store.Changes;
import vividlantern.server.store.Database;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;

/** A database that lies unpacked beside the one at work, brought to today's layout, with its sessions and rigs to be read. */
public final class OpenedCopy implements AutoCloseable {

    /** The part of the program that reads and writes, and nothing else of it. */
    @ImportAutoConfiguration({
        FlywayAutoConfiguration.class,
        HibernateJpaAutoConfiguration.class,
        DataSourceTransactionManagerAutoConfiguration.class,
        TransactionAutoConfiguration.class
    })
    @EntityScan(basePackageClasses = Store.class)
    @Import({Store.class, RigStore.class, Changes.class})
    static class StoreAlone {

        @Bean
        DataFolder dataFolder(Environment wishes) {
            return new DataFolder(Path.of(wishes.getRequiredProperty("lantern.data")));
        }

        @Bean
        DataSource dataSource(DataFolder folder) {
            return Database.source(folder);
        }

        @Bean
        Reached reached(DataFolder folder) {
            return new Reached(folder);
        }
    }

    private final AnnotationConfigApplicationContext context = new AnnotationConfigApplicationContext();

    private final DataFolder folder;

    /** @param folder holds the database and nothing else */
    OpenedCopy(DataFolder folder) {
        this.folder = folder;
        Map<String, Object> wishes =
                Map.of("lantern.data", folder.path().toString(), "spring.jpa.hibernate.ddl-auto", "validate");
        context.getEnvironment().getPropertySources().addFirst(new MapPropertySource("copy", wishes));
        context.register(StoreAlone.class);
        context.refresh();
    }

    DataFolder folder() {
        return folder;
    }

    public Store sessions() {
        return context.getBean(Store.class);
    }

    public RigStore rigs() {
        return context.getBean(RigStore.class);
    }

    @Override
    public void close() {
        context.close();
    }
}
