package vividlantern.bench.faults;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.google.gson.JsonParseException;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import vividlantern.bench.Figures;
import vividlantern.bench.Started;

/**
 * Requests to every route that the program describes, and rigs' documents, made by chance and spoilt by chance. None may be
 * answered with 5xx, each that is refused must be so with a problem and a sentence, and all must open again afterwards.
 */
final class OddRequests {

    private static final long SEED = 1;
    private static final int READ_AT_MOST = 100_000;
    private static final int SHOWN = 20;

    /** A route as described. */
    private record Route(String method, String path, JsonObject description) {}

    private final Random chance = new Random(SEED);
    private final HttpClient client = HttpClient.newHttpClient();
    private final Started running;
    private final JsonObject document;
    private final List<Route> routes = new ArrayList<>();
    private final OddValues values;
    private final Map<Integer, Integer> statuses = new TreeMap<>();
    private int bad;

    private OddRequests(Started running) throws Exception {
        this.running = running;
        JsonObject description = json("/v3/api-docs");
        document = json("/api/rigs/saltworks/document.json");
        List<String> known = new ArrayList<>(List.of("saltworks", "low-water", "main", "voice"));
        gatherIds(document, known);
        gatherIds(json("/api/sessions/low-water"), known);
        values = new OddValues(chance, description.getAsJsonObject("components").getAsJsonObject("schemas"), known);
        description
                .getAsJsonObject("paths")
                .entrySet()
                .forEach(path -> path.getValue()
                        .getAsJsonObject()
                        .entrySet()
                        .forEach(method -> routes.add(new Route(
                                method.getKey().toUpperCase(Locale.ROOT),
                                path.getKey(),
                                method.getValue().getAsJsonObject()))));
        // Going back to a copy begins the program anew, at an address of its own.
        routes.removeIf(
                route -> route.path().startsWith("/api/copies/") && route.path().endsWith("/restore"));
    }

    static boolean send(Path program, int many) throws Exception {
        Path data = Files.createTempDirectory("vivid-lantern-odd");
        OddRequests odd;
        try (Started running = Started.program(program, data, "--springdoc.api-docs.enabled=true")) {
            odd = new OddRequests(running);
            for (int n = 0; n < many; n++) {
                odd.one();
            }
            Figures.say(
                    "Odd requests: %d to %d routes; answers by status %s; %d bad; %d MB at most",
                    many, odd.routes.size(), odd.statuses, odd.bad, running.mostMegabytes());
        }
        int shut = 0;
        int opened = 0;
        try (Started running = Started.program(program, data)) {
            for (String kind : List.of("/api/sessions", "/api/rigs")) {
                for (JsonElement each : JsonParser.parseString(text(running.get(kind + "?size=200")))
                        .getAsJsonArray()) {
                    String id = each.getAsJsonObject().get("id").getAsString();
                    opened++;
                    if (running.get(kind + "/" + id).statusCode() != 200) {
                        Figures.say("%s/%s does not open", kind, id);
                        shut++;
                    }
                }
            }
        }
        Figures.say("Started again: %d sessions and rigs, %d of them do not open", opened, shut);
        return odd.bad + shut == 0;
    }

    private void one() throws InterruptedException {
        Route route = routes.get(chance.nextInt(routes.size()));
        String body = chance.nextInt(10) == 0 ? rig() : body(route);
        String path = body.startsWith("{\"name\":\"Odd\"") ? "/api/rigs" : filled(route);
        String method = path.equals("/api/rigs") && body.startsWith("{\"name\":\"Odd\"") ? "POST" : route.method();
        String type = chance.nextInt(20) == 0 ? "text/csv" : type(route);
        send(method, path, type, body);
        if (method.equals("POST") && path.endsWith("/edits") && chance.nextInt(10) != 0) {
            send("POST", path.replaceFirst("/edits$", "/undo"), "application/json", "");
        }
    }

    private void send(String method, String path, String type, String body) throws InterruptedException {
        String what = method + " " + path + " " + body;
        try {
            HttpResponse<InputStream> answer = client.send(
                    HttpRequest.newBuilder(URI.create(running.address() + path))
                            .timeout(Duration.ofSeconds(60))
                            .header("Content-Type", type)
                            .method(
                                    method,
                                    method.equals("GET")
                                            ? HttpRequest.BodyPublishers.noBody()
                                            : HttpRequest.BodyPublishers.ofString(body))
                            .build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            String said;
            try (InputStream read = answer.body()) {
                said = new String(read.readNBytes(READ_AT_MOST), StandardCharsets.UTF_8);
            }
            statuses.merge(answer.statusCode(), 1, Integer::sum);
            if (answer.statusCode() >= 500 || answer.statusCode() >= 400 && !isProblem(answer, said)) {
                note(what, answer.statusCode() + " " + said);
            }
        } catch (IOException failed) {
            note(what, failed.toString());
        }
    }

    private static boolean isProblem(HttpResponse<?> answer, String said) {
        try {
            return answer.headers().firstValue("Content-Type").orElse("").startsWith("application/problem+json")
                    && !JsonParser.parseString(said)
                            .getAsJsonObject()
                            .get("detail")
                            .getAsString()
                            .isBlank();
        } catch (JsonParseException | IllegalStateException noJson) {
            return false;
        }
    }

    private void note(String what, String said) {
        if (bad++ < SHOWN) {
            Figures.say("%s%n  → %s", cut(what), cut(said));
        }
    }

    private static String cut(String text) {
        return text.length() <= 400 ? text : text.substring(0, 400) + "…";
    }

    private String rig() {
        JsonElement spoilt = document;
        for (int times = 1 + chance.nextInt(3); times > 0; times--) {
            spoilt = values.spoilt(spoilt);
        }
        return "{\"name\":\"Odd\", \"document\": " + spoilt + "}";
    }

    private String body(Route route) {
        if (!route.description().has("requestBody")) {
            return "";
        }
        JsonObject content = route.description().getAsJsonObject("requestBody").getAsJsonObject("content");
        JsonObject schema = content.entrySet()
                .iterator()
                .next()
                .getValue()
                .getAsJsonObject()
                .getAsJsonObject("schema");
        JsonElement value = values.made(schema);
        for (int times = chance.nextInt(3); times > 0; times--) {
            value = values.spoilt(value);
        }
        String text = value.toString();
        return chance.nextInt(20) == 0 ? text.substring(0, chance.nextInt(text.length() + 1)) : text;
    }

    private static String type(Route route) {
        return route.description().has("requestBody")
                ? route.description()
                        .getAsJsonObject("requestBody")
                        .getAsJsonObject("content")
                        .keySet()
                        .iterator()
                        .next()
                : "application/json";
    }

    /** The path with something in each of its places, and a query. */
    private String filled(Route route) {
        String path = route.path();
        StringBuilder query = new StringBuilder();
        if (route.description().has("parameters")) {
            for (JsonElement each : route.description().getAsJsonArray("parameters")) {
                JsonObject parameter = each.getAsJsonObject();
                String name = parameter.get("name").getAsString();
                String in = parameter.get("in").getAsString();
                if (in.equals("path")) {
                    String usual =
                            name.equals("session") ? "low-water" : name.equals("rig") ? "saltworks" : values.word();
                    String word = chance.nextInt(10) == 0 ? values.word() : usual;
                    path = path.replace("{" + name + "}", encoded(word.length() > 2000 ? "long" : word));
                } else if (in.equals("query") && chance.nextInt(3) != 0) {
                    String value = values.made(parameter.getAsJsonObject("schema"))
                            .toString()
                            .replace("\"", "");
                    String word = chance.nextInt(3) == 0 ? values.word() : value;
                    query.append(query.isEmpty() ? '?' : '&')
                            .append(name)
                            .append('=')
                            .append(encoded(word.length() > 2000 ? "long" : word));
                }
            }
        }
        return path + query;
    }

    private static String encoded(String word) {
        return URLEncoder.encode(word, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private JsonObject json(String path) throws Exception {
        return JsonParser.parseString(text(running.get(path))).getAsJsonObject();
    }

    private static String text(HttpResponse<byte[]> answer) {
        return new String(answer.body(), StandardCharsets.UTF_8);
    }

    private static void gatherIds(JsonElement value, List<String> ids) {
        if (value.isJsonObject()) {
            value.getAsJsonObject().entrySet().forEach(each -> {
                if (each.getKey().equals("id")) {
                    ids.add(each.getValue().getAsString());
                }
                gatherIds(each.getValue(), ids);
            });
        } else if (value.isJsonArray()) {
            value.getAsJsonArray().forEach(each -> gatherIds(each, ids));
        }
    }
}
