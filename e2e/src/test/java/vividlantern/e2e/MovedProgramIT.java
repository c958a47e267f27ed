package vividlantern.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import org.testng.annotations.Test;

/** A program that was copied or moved starts as fast as where it was built: its class archive is made anew, once. */
public class MovedProgramIT {

    private static String run(Path folder, List<String> command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    @Test
    public void theClassArchiveIsMadeAnewInAnotherPlace() throws IOException, InterruptedException {
        Path jar = Path.of(System.getProperty("program")).toRealPath();
        Path root = jar.getParent().getParent().getParent();
        Path moved = Files.createTempDirectory("vivid-lantern-moved").toRealPath();
        for (String folder : List.of("tools", "docs", "kernel", "core", "sim", "server", "web", "target")) {
            Files.createDirectory(moved.resolve(folder));
        }
        for (String file : List.of("pom.xml", "docs/openapi.json", "tools/build-program", "tools/needed")) {
            Files.copy(root.resolve(file), moved.resolve(file), StandardCopyOption.COPY_ATTRIBUTES);
        }
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        run(
                moved,
                List.of(java, "-Djarmode=tools", "-jar", jar.toString(), "extract", "--destination", "target/program"));
        Path program = moved.resolve("target/program");
        Files.move(program.resolve(jar.getFileName()), program.resolve("lantern.jar"));
        Files.createFile(program.resolve("built"));
        Files.writeString(program.resolve("lantern.jsa.place"), "/where/it/was built by some Java\n");
        assertThat(run(moved, List.of("bash", "tools/build-program"))).contains("its class archive is made anew");
        assertThat(program.resolve("lantern.jsa")).isNotEmptyFile();
        assertThat(program.resolve("lantern.jsa.place")).content().startsWith(moved + " ");
        assertThat(run(moved, List.of("bash", "tools/build-program"))).doesNotContain("made anew");
    }
}
