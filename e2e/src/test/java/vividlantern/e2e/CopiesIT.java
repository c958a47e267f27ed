package vividlantern.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.Test;

/** The packaged program goes back to a copy: it begins anew within its process, and pages find it again. */
public class CopiesIT {

    private static final Pattern NAME = Pattern.compile("\"name\":\"([^\"]+\\.zip)\"");

    @Test
    public void whatWasDoneAfterTheCopyIsGoneAndThePageIsBack() throws IOException {
        try (Program program = Program.start(Files.createTempDirectory("vivid-lantern-copies"));
                Chromium chromium = new Chromium()) {
            Page page = chromium.newPerson(ColorScheme.DARK);
            program.post("/api/copies", "");
            Matcher copy = NAME.matcher(text(program, "/api/copies"));
            assertThat(copy.find()).isTrue();
            program.post(
                    "/api/sessions/low-water/edits",
                    "{\"edits\": [{\"kind\": \"set-session-names\", \"name\": \"Later\", \"song\": \"\"}]}");
            page.navigate(program.address() + "/sessions/low-water/tracks");
            page.waitForCondition(() -> page.title().startsWith("Later"));
            program.post("/api/copies/" + copy.group(1) + "/restore", "");
            page.waitForCondition(
                    () -> page.title().startsWith("Low Water"), new Page.WaitForConditionOptions().setTimeout(120_000));
        }
    }

    private static String text(Program program, String path) {
        return new String(program.get(path), StandardCharsets.UTF_8);
    }
}
