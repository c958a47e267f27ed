package vividlantern.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** Every browser test stands in the suite, which names them one by one. */
public class NoneForgottenIT {

    @Test
    public void everyClassIsNamedInTheSuite() throws IOException {
        String suite = Files.readString(Path.of("src/test/resources/browser-tests.xml"));
        try (Stream<Path> files = Files.list(Path.of("src/test/java/vividlantern/e2e"))) {
            assertThat(files.map(file -> file.getFileName().toString())
                            .filter(name -> name.endsWith("IT.java"))
                            .map(name -> "vividlantern.e2e." + name.replace(".java", "")))
                    .isNotEmpty()
                    .allMatch(name -> suite.contains("\"" + name + "\""));
        }
    }
}
