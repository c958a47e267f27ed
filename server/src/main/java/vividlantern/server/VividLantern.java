package vividlantern.server;

import java.io.IOException;
import java.nio.channels.FileLock;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.logging.LogLevel;
import org.springframework.boot.logging.LoggingSystem;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.SimpleCommandLinePropertySource;
import vividlantern.basics.Refused;
import vividlantern.server.folder.CannotStart;
import vividlantern.server.folder.DataFolder;
import vividlantern.server.folder.DatabaseCheck;
import vividlantern.server.store.copies.Restoring;

/** The program: one server with the page inside. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
public class VividLantern {

    private static volatile ConfigurableApplicationContext running;
    /** Held as long as the process lives. */
    private static FileLock lock;

    /** Starts the program on its data folder, or says why it cannot. */
    public static void main(String[] arguments) {
        try {
            prepare(new SimpleCommandLinePropertySource(arguments));
            run(arguments);
        } catch (CannotStart reason) {
            System.err.println(reason.getMessage());
            System.exit(CannotStart.EXIT_CODE);
        }
    }

    private static void prepare(SimpleCommandLinePropertySource wishes) {
        String data = wishes.getProperty("lantern.data");
        DataFolder folder = new DataFolder(Path.of(data == null ? "data" : data));
        lock = folder.claim();
        String copy = wishes.getProperty("lantern.restore");
        if (copy != null) {
            restore(Path.of(copy), folder);
        }
        DatabaseCheck check = new DatabaseCheck(folder);
        if (wishes.containsProperty("lantern.as-it-is")) {
            check.acceptAsItIs();
        }
        check.requireUsable();
    }

    private static void restore(Path copy, DataFolder folder) {
        LoggingSystem.get(VividLantern.class.getClassLoader())
                .setLogLevel(LoggingSystem.ROOT_LOGGER_NAME, LogLevel.WARN);
        try {
            folder.replaceDatabase(Restoring.prepare(copy, folder))
                    .ifPresent(kept -> System.out.println("The copy is in place. What stood here is kept as " + kept
                            + ". To go back to it: " + folder.restoreCommand(kept)));
        } catch (Refused reason) {
            throw new CannotStart(reason.getMessage() + " Nothing was changed.");
        } catch (IOException failed) {
            throw new CannotStart(
                    copy + " could not be put in place, nothing was changed: " + failed.getMessage() + ".");
        }
    }

    /** Runs the program; returns once it answers. */
    static ConfigurableApplicationContext run(String... arguments) {
        SpringApplication program = new SpringApplication(VividLantern.class);
        // a program that begins anew has no main method under it to find this by
        program.setMainApplicationClass(VividLantern.class);
        running = program.run(arguments);
        return running;
    }

    /** The program as it runs now, if it was begun by {@link #run}. */
    static ConfigurableApplicationContext running() {
        return running;
    }

    /** Prints the address once somebody who opens it is answered. */
    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (event.getApplicationContext() instanceof WebServerApplicationContext web && web.getWebServer() != null) {
            System.out.println("Vivid Lantern is ready: http://localhost:"
                    + web.getWebServer().getPort());
        }
    }
}
