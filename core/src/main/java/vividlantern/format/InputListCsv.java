package vividlantern.format;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import vividlantern.patch.BringList;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.Track;

/** The input list as a table: one row an input, ports by their house labels. {@link InputListImport} reads it back. */
public final class InputListCsv {

    /** The columns, in the order in which they are written. */
    enum Column {
        NUMBER("Number"),
        SOURCE("Source"),
        PERFORMER("Performer"),
        MIC("Mic"),
        STAND("Stand"),
        CABLE("Cable m"),
        PLACE("Place"),
        PHANTOM("Phantom"),
        PORT("Port"),
        LEVEL("Level"),
        PAD("Pad"),
        GAIN("Gain dB"),
        TRACKS("Tracks"),
        NOTES("Notes");

        private final String title;

        Column(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }

        static Optional<Column> titled(String title) {
            for (Column column : values()) {
                if (column.title.equalsIgnoreCase(title.strip())) {
                    return Optional.of(column);
                }
            }
            return Optional.empty();
        }
    }

    private InputListCsv() {}

    public static String write(Session session, Rig rig) {
        StringBuilder text = new StringBuilder();
        String[] titles = new String[Column.values().length];
        for (Column column : Column.values()) {
            titles[column.ordinal()] = column.title();
        }
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord((Object[]) titles);
            for (Input input : session.inputs()) {
                printer.printRecord(
                        input.number(),
                        input.source(),
                        input.performer()
                                .flatMap(session::find)
                                .map(Performer::name)
                                .orElse(""),
                        input.mic(),
                        input.stand(),
                        input.cableMetres() == 0 ? "" : plain(input.cableMetres()),
                        input.place(),
                        word(input.phantom()),
                        input.port()
                                .map(id -> rig.port(id).map(Port::houseLabel).orElse(id.value()))
                                .orElse(""),
                        Documents.word(input.level()),
                        input.pad() ? "in" : "out",
                        plain(input.gainDb()),
                        String.join("; ", trackNames(session, input)),
                        input.notes());
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /** What the list needs to be there, as a table of its own. */
    public static String bringList(Session session, Rig rig) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord("How many", "What", "Kind", "Note");
            for (BringList.Item item : BringList.of(session, rig)) {
                printer.printRecord(item.count(), item.what(), item.group(), item.note());
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /** The tracks an input feeds, a stereo track's side in brackets: "Room (left)". */
    static List<String> trackNames(Session session, Input input) {
        List<String> names = new ArrayList<>();
        for (Track track : session.tracks()) {
            for (int channel = 0; channel < track.feeds().size(); channel++) {
                if (track.feeds().get(channel).input().equals(Optional.of(input.id()))) {
                    names.add(track.name() + side(track.width(), channel));
                }
            }
        }
        return names;
    }

    static String word(PhantomWish phantom) {
        return phantom == PhantomWish.ON ? "on" : phantom.toString();
    }

    private static String side(int width, int channel) {
        if (width == 1) {
            return "";
        }
        return width == 2 ? channel == 0 ? " (left)" : " (right)" : " (" + (channel + 1) + " of " + width + ")";
    }

    static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
