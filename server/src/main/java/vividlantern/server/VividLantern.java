package vividlantern.server;

import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.SimpleCommandLinePropertySource;
import org.springframework.scheduling.annotation.EnableScheduling;
import vividlantern.server.store.Database;

/** The program: one server with the page inside. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
@EnableScheduling
public class VividLantern {

    public static void main(String[] arguments) {
        SimpleCommandLinePropertySource wishes = new SimpleCommandLinePropertySource(arguments);
        String copy = wishes.getProperty("lantern.restore");
        if (copy != null) {
            String data = wishes.getProperty("lantern.data");
            Database.restore(Path.of(copy), Path.of(data == null ? "data" : data));
        }
        SpringApplication.run(VividLantern.class, arguments);
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
