package vividlantern.format;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import vividlantern.basics.Refused;

/**
 * Reads tables the way spreadsheets write them: comma, semicolon or tab between cells; quotes, with line breaks inside;
 * UTF-8, with or without byte-order mark, UTF-16 with one, else Windows-1252. A first line "sep=;" names the delimiter.
 */
final class CsvText {

    private static final char[] DELIMITERS = {',', ';', '\t'};

    /** What a spreadsheet would work out instead of showing it. */
    private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\t\r].*", Pattern.DOTALL);

    private static final Pattern NAMED = Pattern.compile("sep=([,;\\t])\\r?\\n", Pattern.CASE_INSENSITIVE);

    private CsvText() {}

    /** A text as it goes into a cell: with an apostrophe before what a spreadsheet would run as a formula. */
    static String guarded(String text) {
        return FORMULA.matcher(text).matches() ? "'" + text : text;
    }

    /** A text as it was before it was guarded. */
    static String unguarded(String cell) {
        return cell.startsWith("'") && FORMULA.matcher(cell).matches() ? cell.substring(1) : cell;
    }

    static List<CSVRecord> rows(byte[] bytes) {
        String decoded = decode(bytes);
        Matcher named = NAMED.matcher(decoded);
        String text = named.lookingAt() ? decoded.substring(named.end()) : decoded;
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(named.lookingAt() ? named.group(1).charAt(0) : delimiter(text))
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            return parser.getRecords();
        } catch (IOException | UncheckedIOException | IllegalStateException broken) {
            throw new Refused(
                    "This is not a table of comma-separated values: a quote is opened and not closed, or stands in the middle of a cell.",
                    "file");
        }
    }

    private static String decode(byte[] bytes) {
        if (beginsWith(bytes, 0xFF, 0xFE) || beginsWith(bytes, 0xFE, 0xFF)) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        for (byte each : bytes) {
            if (each == 0) {
                throw new Refused("This is not a text file. Save the list as CSV and choose that file.", "file");
            }
        }
        String text;
        try {
            text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException notUtf8) {
            text = new String(bytes, Charset.forName("windows-1252"));
        }
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static boolean beginsWith(byte[] bytes, int first, int second) {
        return bytes.length >= 2 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
    }

    /** The delimiter that is most frequent in the first line, outside quotes. */
    private static char delimiter(String text) {
        int[] counts = new int[DELIMITERS.length];
        boolean quoted = false;
        for (char each : text.toCharArray()) {
            if (each == '"') {
                quoted = !quoted;
            } else if (each == '\n' && !quoted) {
                break;
            }
            for (int i = 0; i < DELIMITERS.length; i++) {
                counts[i] += !quoted && each == DELIMITERS[i] ? 1 : 0;
            }
        }
        int best = 0;
        for (int i = 1; i < counts.length; i++) {
            best = counts[i] > counts[best] ? i : best;
        }
        return DELIMITERS[best];
    }
}
