package vividlantern.format;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Tables on A4 pages across, drawn row by row. A cell's text is broken into lines; a row never falls over a page's end. */
final class PdfTable {

    /** A cell that is a box to tick. */
    static final String BOX = "\u0000";

    private static final float WIDTH = PDRectangle.A4.getHeight();
    private static final float HEIGHT = PDRectangle.A4.getWidth();
    private static final float MARGIN = 34;
    private static final float SIZE = 9;
    private static final float LINE = 12;
    private static final float PAD = 4;

    private final PDDocument document;
    private final PDFont font;
    private final String footer;
    private String heading = "";
    private List<String> titles = List.of();
    private float[] lefts = {};
    private float[] widths = {};
    private PDPage page;
    private float y;

    PdfTable(PDDocument document, String footer) throws IOException {
        this.document = document;
        this.footer = footer;
        try (InputStream face =
                PDDocument.class.getResourceAsStream("/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf")) {
            font = PDType0Font.load(document, face, true);
        }
    }

    /** Begins a table on a page of its own. Widths are shares of the page's. */
    void begin(String newHeading, List<String> newTitles, double[] shares) throws IOException {
        heading = newHeading;
        titles = newTitles;
        double all = 0;
        for (double share : shares) {
            all += share;
        }
        lefts = new float[shares.length];
        widths = new float[shares.length];
        float at = MARGIN;
        for (int column = 0; column < shares.length; column++) {
            lefts[column] = at;
            widths[column] = (float) (shares[column] / all * (WIDTH - 2 * MARGIN));
            at += widths[column];
        }
        newPage();
    }

    void row(List<String> cells) throws IOException {
        List<List<String>> broken = new ArrayList<>();
        int lines = 1;
        for (int column = 0; column < cells.size(); column++) {
            broken.add(lines(cells.get(column), widths[column] - 2 * PAD));
            lines = Math.max(lines, broken.get(column).size());
        }
        float height = lines * LINE + PAD;
        if (y - height < MARGIN + 2 * LINE) {
            newPage();
        }
        try (PDPageContentStream pen = pen()) {
            for (int column = 0; column < broken.size(); column++) {
                if (cells.get(column).equals(BOX)) {
                    pen.addRect(lefts[column] + PAD, y - LINE, SIZE, SIZE);
                    pen.stroke();
                    continue;
                }
                for (int line = 0; line < broken.get(column).size(); line++) {
                    text(
                            pen,
                            SIZE,
                            lefts[column] + PAD,
                            y - (line + 1) * LINE + 2,
                            broken.get(column).get(line));
                }
            }
            y -= height;
            rule(pen, 0.3f);
        }
    }

    /** Writes at each page's foot what it belongs to and how many there are. */
    void numberPages() throws IOException {
        int count = document.getNumberOfPages();
        for (int at = 0; at < count; at++) {
            page = document.getPage(at);
            try (PDPageContentStream pen = pen()) {
                text(pen, SIZE - 1, MARGIN, MARGIN - 8, footer);
                text(pen, SIZE - 1, WIDTH - MARGIN - 50, MARGIN - 8, "page " + (at + 1) + " of " + count);
            }
        }
    }

    private void newPage() throws IOException {
        page = new PDPage(new PDRectangle(WIDTH, HEIGHT));
        document.addPage(page);
        y = HEIGHT - MARGIN;
        try (PDPageContentStream pen = pen()) {
            text(pen, 18, MARGIN, y - 16, heading);
            y -= 30;
            for (int column = 0; column < titles.size(); column++) {
                text(pen, SIZE - 1, lefts[column] + PAD, y - LINE + 2, titles.get(column));
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

    private void text(PDPageContentStream pen, float size, float x, float baseline, String words) throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset(x, baseline);
        pen.showText(writable(words));
        pen.endText();
    }

    /** What the font has no sign for is shown as a question mark rather than refused. */
    private String writable(String words) {
        StringBuilder written = new StringBuilder();
        words.codePoints().forEach(point -> {
            String sign = Character.toString(point);
            try {
                font.encode(sign);
                written.append(sign);
            } catch (IllegalArgumentException | IOException noSuchSign) {
                written.append(Character.isISOControl(point) ? ' ' : '?');
            }
        });
        return written.toString();
    }

    private List<String> lines(String words, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word :
                words.equals(BOX) ? new String[] {""} : writable(words).split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && width(longer) > room) {
                lines.add(line.toString());
                line = new StringBuilder(word);
            } else {
                line = new StringBuilder(longer);
            }
            while (width(line.toString()) > room && line.length() > 1) {
                int fits = fitting(line, room);
                lines.add(line.substring(0, fits));
                line = new StringBuilder(line.substring(fits));
            }
        }
        lines.add(line.toString());
        return lines;
    }

    private int fitting(StringBuilder line, float room) throws IOException {
        int fits = 1;
        while (fits < line.length() && width(line.substring(0, fits + 1)) <= room) {
            fits++;
        }
        return fits;
    }

    private float width(String words) throws IOException {
        return font.getStringWidth(words) / 1000 * SIZE;
    }
}
