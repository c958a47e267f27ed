package vividlantern.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The program: one server with the page inside. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class VividLantern {

    public static void main(String[] arguments) {
        SpringApplication.run(VividLantern.class, arguments);
    }
}
