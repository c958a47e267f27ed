package vividlantern.server.folder;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How the program was started.
 *
 * @param data the folder that holds everything the program keeps
 * @param empty begin without the demo session
 */
@ConfigurationProperties("lantern")
public record Options(
        @DefaultValue("data") Path data,
        @DefaultValue("false") boolean empty) {}
