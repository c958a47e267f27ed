package vividlantern.format;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a line of a log holds, made small: of each part that was changed only the fields that did are kept twice, and all is
 * deflated with words that parts are full of. The first byte tells with which words, so that lines can be read for ever.
 *
 * @param edits the edits as they came
 * @param before the touched parts before, by their keys; null where there was none
 * @param after the same after
 */
public record PackedLine(String edits, String before, String after) {

    private static final byte WORDS = 1;
    /** Lines of many parts repeat themselves: they get small by the quickest way too. */
    private static final int LONG = 65_536;

    private static final byte[] DICTIONARY = words("log-words-1.txt");
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private static byte[] words(String name) {
        try (InputStream in = PackedLine.class.getResourceAsStream(name)) {
            return in.readAllBytes();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    public byte[] pack() {
        JsonNode was = MAPPER.readTree(before);
        JsonNode changed = changed(was, MAPPER.readTree(after));
        return deflated("{\"edits\":" + edits + ",\"before\":" + before + ",\"after\":" + changed + "}");
    }

    public static PackedLine unpack(byte[] packed) {
        if (packed.length == 0 || packed[0] != WORDS) {
            throw new IllegalArgumentException("This line of a log was packed by a newer program.");
        }
        JsonNode line = MAPPER.readTree(inflated(packed));
        return new PackedLine(
                line.get("edits").toString(),
                line.get("before").toString(),
                whole(line.get("before"), line.get("after")).toString());
    }

    /** Whether a text stands in a packed line; much quicker than unpacking it. */
    public static boolean mentions(byte[] packed, String text) {
        return inflated(packed).contains(text);
    }

    /** Of every part that was there before, the fields that are not as they were. */
    private static ObjectNode changed(JsonNode before, JsonNode after) {
        ObjectNode changed = MAPPER.createObjectNode();
        for (Map.Entry<String, JsonNode> entry : after.properties()) {
            JsonNode was = before.get(entry.getKey());
            JsonNode part = entry.getValue();
            if (was instanceof ObjectNode old && part instanceof ObjectNode now && old.size() == now.size()) {
                ObjectNode fields = MAPPER.createObjectNode();
                now.properties().stream()
                        .filter(field -> !field.getValue().equals(old.get(field.getKey())))
                        .forEach(field -> fields.set(field.getKey(), field.getValue()));
                part = fields;
            }
            changed.set(entry.getKey(), part);
        }
        return changed;
    }

    private static ObjectNode whole(JsonNode before, JsonNode changed) {
        ObjectNode whole = MAPPER.createObjectNode();
        for (Map.Entry<String, JsonNode> entry : changed.properties()) {
            JsonNode part = entry.getValue();
            if (before.get(entry.getKey()) instanceof ObjectNode old && part instanceof ObjectNode fields) {
                ObjectNode now = old.deepCopy();
                now.setAll(fields);
                part = now;
            }
            whole.set(entry.getKey(), part);
        }
        return whole;
    }

    private static byte[] deflated(String text) {
        int level = text.length() < LONG ? Deflater.BEST_COMPRESSION : Deflater.BEST_SPEED;
        Deflater deflater = new Deflater(level, true);
        try {
            deflater.setDictionary(DICTIONARY);
            deflater.setInput(text.getBytes(StandardCharsets.UTF_8));
            deflater.finish();
            ByteArrayOutputStream packed = new ByteArrayOutputStream();
            packed.write(WORDS);
            byte[] piece = new byte[1024];
            while (!deflater.finished()) {
                packed.write(piece, 0, deflater.deflate(piece));
            }
            return packed.toByteArray();
        } finally {
            deflater.end();
        }
    }

    private static String inflated(byte[] packed) {
        Inflater inflater = new Inflater(true);
        try {
            inflater.setDictionary(DICTIONARY);
            inflater.setInput(packed, 1, packed.length - 1);
            ByteArrayOutputStream text = new ByteArrayOutputStream();
            byte[] piece = new byte[4096];
            while (!inflater.finished()) {
                int length = inflater.inflate(piece);
                if (length == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
                    throw new IllegalArgumentException("A line of a log is cut off.");
                }
                text.write(piece, 0, length);
            }
            return text.toString(StandardCharsets.UTF_8);
        } catch (DataFormatException damaged) {
            throw new IllegalArgumentException("A line of a log is damaged.", damaged);
        } finally {
            inflater.end();
        }
    }
}
