package vividlantern.format;

import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * A face of the printed sheets. Signs that it lacks come from a plain one that has many more; one that neither has is
 * printed as a question mark.
 */
final class PdfFace {

    private static final String PLAIN = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";
    private static final float UNITS = 1000;

    /** What is printed for a character. */
    private record Sign(PDFont font, String text, float width) {}

    private final PDDocument document;
    private final PDFont own;
    private final Map<Integer, Sign> signs = new HashMap<>();
    private PDFont plain;

    /** Takes a face of those in {@code fonts/}. */
    PdfFace(PDDocument document, String name) throws IOException {
        this.document = document;
        own = load(document, PdfFace.class.getResourceAsStream("fonts/" + name + ".ttf"));
    }

    private static PDFont load(PDDocument document, InputStream face) throws IOException {
        try (face) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(face));
            // letters that are joined could neither be measured one by one nor be searched for
            font.setEnableGsub(false);
            return PDType0Font.load(document, font, true);
        }
    }

    /** How wide words are, in the units of the size. */
    float width(String words, float size) throws IOException {
        float width = 0;
        for (int point : words.codePoints().toArray()) {
            width += sign(point).width() * size / UNITS;
        }
        return width;
    }

    /** Writes words in one line. */
    void show(PDPageContentStream pen, float size, float x, float baseline, String words) throws IOException {
        pen.beginText();
        pen.newLineAtOffset(x, baseline);
        PDFont before = null;
        StringBuilder run = new StringBuilder();
        for (int point : words.codePoints().toArray()) {
            Sign sign = sign(point);
            if (sign.font() != before) {
                flush(pen, run);
                pen.setFont(sign.font(), size);
                before = sign.font();
            }
            run.append(sign.text());
        }
        flush(pen, run);
        pen.endText();
    }

    private static void flush(PDPageContentStream pen, StringBuilder run) throws IOException {
        if (!run.isEmpty()) {
            pen.showText(run.toString());
            run.setLength(0);
        }
    }

    private Sign sign(int point) throws IOException {
        Sign known = signs.get(point);
        if (known == null) {
            known = found(point);
            signs.put(point, known);
        }
        return known;
    }

    private Sign found(int point) throws IOException {
        String text = Character.isISOControl(point) ? " " : Character.toString(point);
        if (has(own, text)) {
            return new Sign(own, text, own.getStringWidth(text));
        }
        if (plain == null) {
            plain = load(document, PDDocument.class.getResourceAsStream(PLAIN));
        }
        String written = has(plain, text) ? text : "?";
        return new Sign(plain, written, plain.getStringWidth(written));
    }

    private static boolean has(PDFont font, String sign) throws IOException {
        try {
            font.encode(sign);
            return true;
        } catch (IllegalArgumentException none) {
            return false;
        }
    }
}
