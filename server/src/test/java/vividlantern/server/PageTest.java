package vividlantern.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The page that the program gives out, and how carefully. */
public class PageTest extends ServerTest {

    private static final Pattern NONCE = Pattern.compile("'nonce-([0-9a-f]{32})'");

    private HttpResponse<String> page(String path) {
        return send(HttpRequest.newBuilder(address(path)));
    }

    private static String nonce(HttpResponse<String> page) {
        Matcher found = NONCE.matcher(
                page.headers().firstValue("Content-Security-Policy").orElse(""));
        assertThat(found.find()).isTrue();
        return found.group(1);
    }

    @DataProvider
    public Object[][] places() {
        return new Object[][] {{"/"}, {"/sessions/low-water"}, {"/sessions/low-water/cues"}, {"/sessions/gone/rig"}};
    }

    @Test(dataProvider = "places")
    public void itStandsAtEveryAddressAndIsNeverKept(String path) {
        HttpResponse<String> page = page(path);
        assertThat(page.statusCode()).isEqualTo(200);
        assertThat(page.body())
                .contains("<div id=\"page\">")
                .contains(nonce(page))
                .doesNotContain("__NONCE__");
        assertThat(page.headers().firstValue("Cache-Control")).contains("no-store");
    }

    @Test
    public void everyPageHasANonceOfItsOwnAndRunsItsOwnFilesOnly() {
        HttpResponse<String> first = page("/");
        assertThat(nonce(first)).isNotEqualTo(nonce(page("/")));
        String policy = first.headers().firstValue("Content-Security-Policy").orElseThrow();
        assertThat(policy).contains("default-src 'none'", "script-src 'self'", "frame-ancestors 'none'");
        assertThat(policy).doesNotContain("unsafe", "http:", "https:", "*");
    }

    @Test
    public void itsFilesComeFromHereAndAreKept() {
        Matcher script = Pattern.compile("src=\"(/assets/[^\"]+\\.js)\"")
                .matcher(page("/").body());
        assertThat(script.find()).isTrue();
        HttpResponse<String> file = page(script.group(1));
        assertThat(file.statusCode()).isEqualTo(200);
        assertThat(file.headers().firstValue("Cache-Control").orElse("")).contains("max-age", "immutable");
        assertThat(page("/").body()).doesNotContain("http://", "https://");
    }

    @Test
    public void anUnknownAddressIsAProblemWithAReason() {
        for (String path : List.of("/api/harps", "/assets/gone.js", "/api/sessions/none")) {
            HttpResponse<String> answer = page(path);
            assertThat(answer.statusCode()).as(path).isEqualTo(404);
            assertThat(answer.body()).doesNotContain("Exception", "at vividlantern", "trace");
        }
        assertThat(page("/api/sessions/none").headers().firstValue("Content-Type"))
                .contains("application/problem+json");
    }
}
