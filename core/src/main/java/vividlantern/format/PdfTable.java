package vividlantern.format;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Tables on A4 pages across, to be read from a wall. Columns are as wide as their words need, and those in which nothing
 * stands are left out. Text is broken between words; a row goes over a page's end only if it is higher than a page.
 */
final class PdfTable {

    /** A column. What stands in a bold one is what is looked for. */
    record Column(String title, boolean bold) {

        static Column of(String title) {
            return new Column(title, false);
        }

        static Column bold(String title) {
            return new Column(title, true);
        }
    }

    /** A cell that is a box to tick. */
    static final String BOX = "\u0000";

    private static final float WIDTH = PDRectangle.A4.getHeight();
    private static final float HEIGHT = PDRectangle.A4.getWidth();
    private static final float MARGIN = 30;
    private static final float FOOT = MARGIN + 18;
    private static final float HEADING = 22;
    private static final float TITLE = 9;
    private static final float SIZE = 11;
    private static final float LINE = 14;
    private static final float PAD = 4;

    private final PDDocument document;
    private final PdfFace heavy;
    private final PdfFace regular;
    private final PdfFace bold;
    private final String footer;
    private String heading = "";
    private List<Column> columns = List.of();
    private float[] lefts = {};
    private float[] rooms = {};
    private PDPage page;
    private float y;

    PdfTable(PDDocument document, String footer) throws IOException {
        this.document = document;
        this.footer = footer;
        heavy = new PdfFace(document, "Fraunces-SemiBold");
        regular = new PdfFace(document, "InstrumentSans-Regular");
        bold = new PdfFace(document, "InstrumentSans-Bold");
    }

    /** Writes a table on a page of its own, and on as many more as it takes. */
    void write(String newHeading, List<Column> all, List<List<String>> rows) throws IOException {
        int[] filled = IntStream.range(0, all.size())
                .filter(column -> rows.stream().anyMatch(row -> !row.get(column).isBlank()))
                .toArray();
        heading = newHeading;
        columns = IntStream.of(filled).mapToObj(all::get).toList();
        List<List<String>> cells = rows.stream()
                .map(row -> IntStream.of(filled).mapToObj(row::get).toList())
                .toList();
        layOut(cells);
        newPage();
        if (rows.isEmpty()) {
            columns = List.of(Column.of(""));
            layOut(List.of(List.of("Nothing yet.")));
            row(List.of("Nothing yet."));
        }
        for (List<String> row : cells) {
            row(row);
        }
    }

    /** Gives each column what its longest word needs, and shares the rest by what longer texts would need. */
    private void layOut(List<List<String>> rows) throws IOException {
        int count = columns.size();
        float[] least = new float[count];
        float[] wanted = new float[count];
        for (int column = 0; column < count; column++) {
            least[column] = regular.width(columns.get(column).title(), TITLE);
            for (List<String> row : rows) {
                String cell = row.get(column);
                for (String word : cell.split(" ")) {
                    least[column] = Math.max(least[column], width(column, word));
                }
                wanted[column] = Math.max(wanted[column], width(column, cell));
            }
            wanted[column] = Math.max(wanted[column], least[column]);
        }
        float room = WIDTH - 2 * MARGIN - 2 * PAD * count;
        float needed = sum(least);
        float more = sum(wanted) - needed;
        lefts = new float[count];
        rooms = new float[count];
        float at = MARGIN;
        for (int column = 0; column < count; column++) {
            float share = more > 0 ? (wanted[column] - least[column]) / more : 1f / count;
            rooms[column] = needed <= room ? least[column] + share * (room - needed) : least[column] * room / needed;
            lefts[column] = at + PAD;
            at += rooms[column] + 2 * PAD;
        }
    }

    private float width(int column, String words) throws IOException {
        return words.equals(BOX) ? SIZE : face(column).width(words, SIZE);
    }

    private static float sum(float[] values) {
        float sum = 0;
        for (float value : values) {
            sum += value;
        }
        return sum;
    }

    private PdfFace face(int column) {
        return columns.get(column).bold() ? bold : regular;
    }

    private void row(List<String> cells) throws IOException {
        List<List<String>> broken = new ArrayList<>();
        int lines = 1;
        for (int column = 0; column < cells.size(); column++) {
            broken.add(lines(face(column), cells.get(column), rooms[column]));
            lines = Math.max(lines, broken.get(column).size());
        }
        if (lines > room() && lines <= roomOfAPage()) {
            newPage();
        }
        for (int from = 0; from < lines; ) {
            if (room() < 1) {
                newPage();
            }
            int to = Math.min(lines, from + room());
            draw(broken, from, to);
            from = to;
        }
    }

    /** How many lines have room on this page. */
    private int room() {
        return (int) ((y - FOOT - PAD) / LINE);
    }

    private int roomOfAPage() {
        return (int) ((HEIGHT - 2 * MARGIN - HEADING - LINE - FOOT) / LINE);
    }

    private void draw(List<List<String>> cells, int from, int to) throws IOException {
        try (PDPageContentStream pen = pen()) {
            for (int column = 0; column < cells.size(); column++) {
                List<String> lines = cells.get(column);
                for (int line = from; line < Math.min(to, lines.size()); line++) {
                    float baseline = y - (line - from + 1) * LINE + 2;
                    if (lines.get(line).equals(BOX)) {
                        pen.setLineWidth(1);
                        pen.addRect(lefts[column], baseline - 1, SIZE - 1, SIZE - 1);
                        pen.stroke();
                    } else {
                        face(column).show(pen, SIZE, lefts[column], baseline, lines.get(line));
                    }
                }
            }
            y -= (to - from) * LINE + PAD;
            rule(pen, 0.3f);
        }
    }

    /** Writes at each page's foot what it belongs to and how many there are. */
    void numberPages() throws IOException {
        int count = document.getNumberOfPages();
        for (int at = 0; at < count; at++) {
            page = document.getPage(at);
            String number = "page " + (at + 1) + " of " + count;
            float left = WIDTH - MARGIN - regular.width(number, TITLE);
            List<String> lines = lines(regular, footer, (left - MARGIN - SIZE) * SIZE / TITLE);
            try (PDPageContentStream pen = pen()) {
                for (int line = 0; line < lines.size(); line++) {
                    regular.show(pen, TITLE, MARGIN, MARGIN - 4 - line * TITLE, lines.get(line));
                }
                regular.show(pen, TITLE, left, MARGIN - 4, number);
            }
        }
    }

    private void newPage() throws IOException {
        page = new PDPage(new PDRectangle(WIDTH, HEIGHT));
        document.addPage(page);
        y = HEIGHT - MARGIN;
        try (PDPageContentStream pen = pen()) {
            heavy.show(pen, HEADING, MARGIN, y - HEADING + 4, heading);
            y -= HEADING + PAD;
            for (int column = 0; column < columns.size(); column++) {
                regular.show(
                        pen,
                        TITLE,
                        lefts[column],
                        y - LINE + 2,
                        columns.get(column).title());
            }
            y -= LINE + PAD;
            rule(pen, 1);
        }
    }

    private PDPageContentStream pen() throws IOException {
        return new PDPageContentStream(document, page, AppendMode.APPEND, true, true);
    }

    private void rule(PDPageContentStream pen, float width) throws IOException {
        pen.setLineWidth(width);
        pen.moveTo(MARGIN, y);
        pen.lineTo(WIDTH - MARGIN, y);
        pen.stroke();
    }

    /** Breaks words into lines; only a word that is wider than a line is broken itself. */
    private static List<String> lines(PdfFace face, String words, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        String line = "";
        for (String word : words.split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && face.width(longer, SIZE) > room + 0.01f) {
                lines.add(line);
                line = word;
            } else {
                line = longer;
            }
            while (face.width(line, SIZE) > room + 0.01f && line.codePointCount(0, line.length()) > 1) {
                int fits = fitting(face, line, room);
                lines.add(line.substring(0, fits));
                line = line.substring(fits);
            }
        }
        lines.add(line);
        return lines;
    }

    private static int fitting(PdfFace face, String line, float room) throws IOException {
        int fits = line.offsetByCodePoints(0, 1);
        while (fits < line.length() && face.width(line.substring(0, line.offsetByCodePoints(fits, 1)), SIZE) <= room) {
            fits = line.offsetByCodePoints(fits, 1);
        }
        return fits;
    }
}
