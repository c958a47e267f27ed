package vividlantern.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;

/** A Spring Boot web application with nothing in it, to be compared with. */
@SpringBootApplication(
        excludeName = {
            "org.springframework.boot.jdbc.autoconfigure.DataSourceAutoConfiguration",
            "org.springframework.boot.hibernate.autoconfigure.HibernateJpaAutoConfiguration",
            "org.springframework.boot.data.jpa.autoconfigure.DataJpaRepositoriesAutoConfiguration",
            "org.springframework.boot.flyway.autoconfigure.FlywayAutoConfiguration",
            "org.springdoc.webmvc.core.configuration.SpringDocWebMvcConfiguration"
        })
public class EmptyApplication {

    public static void main(String[] arguments) {
        SpringApplication.run(
                EmptyApplication.class, "--server.port=0", "--spring.config.location=optional:file:/nonexistent/");
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (event.getApplicationContext() instanceof WebServerApplicationContext web) {
            System.out.println("ready: http://localhost:" + web.getWebServer().getPort());
        }
    }
}
