package vividlantern.format;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import vividlantern.patch.BringList;
import vividlantern.patch.InputTracks;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.units.PlainNumber;

/** The input list as a table: one row an input, ports by their house labels. {@link InputListImport} reads it back. */
public final class InputListCsv {

    /** The columns, in the order in which they are written, and what else others head them with. */
    enum Column {
        NUMBER("Number", "#", "No", "Nr", "Ch", "Chan", "Channel", "Input number", "Input no"),
        SOURCE("Source", "Instrument", "Input", "Signal", "Channel name", "Input name", "Source name"),
        PERFORMER("Performer", "Musician", "Player", "Artist", "Who"),
        MIC("Mic", "Mic or DI", "Mic/DI", "Mic/Line", "Microphone", "DI"),
        STAND("Stand", "Mic stand", "Stand type"),
        CABLE("Cable m", "Cable", "Cable length", "Cable (m)"),
        PLACE("Place", "Position", "Location", "Where"),
        PHANTOM("Phantom", "+48 V", "48 V", "P48", "Phantom power"),
        WIDTH("Width", "Channels", "Mono/Stereo"),
        PORT("Port", "Socket", "Patch", "Patched to", "Wall", "Stage box"),
        LEVEL("Level", "Input level"),
        PAD("Pad", "Pad dB"),
        GAIN("Gain dB", "Gain", "Gain (dB)"),
        POLARITY("Polarity", "Phase", "Ø"),
        TRACKS("Tracks", "Track", "Track name"),
        NOTES("Notes", "Note", "Comment", "Comments", "Remark", "Remarks");

        private final String title;
        private final List<String> alsoTitled;

        Column(String title, String... alsoTitled) {
            this.title = title;
            this.alsoTitled = List.of(alsoTitled);
        }

        String title() {
            return title;
        }

        /** What it may be headed with. */
        String words() {
            return title + " (" + String.join(", ", alsoTitled) + ")";
        }

        /** The column of a heading, whatever its capitals, spaces and final stops. */
        static Optional<Column> titled(String heading) {
            String wanted = bare(heading);
            return Stream.of(values())
                    .filter(column -> Stream.concat(Stream.of(column.title), column.alsoTitled.stream())
                            .anyMatch(title -> bare(title).equals(wanted)))
                    .findFirst();
        }

        private static String bare(String heading) {
            return heading.toLowerCase(Locale.ROOT).replaceAll("[\\s.:]", "");
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
                        CsvText.guarded(input.source()),
                        CsvText.guarded(input.performer()
                                .flatMap(session::find)
                                .map(Performer::name)
                                .orElse("")),
                        CsvText.guarded(input.mic()),
                        CsvText.guarded(input.stand()),
                        input.cableMetres() == 0 ? "" : PlainNumber.of(input.cableMetres()),
                        CsvText.guarded(input.place()),
                        word(input.phantom()),
                        Channels.width(input.width()),
                        CsvText.guarded(ports(rig, input)),
                        Documents.word(input.level()),
                        input.pad() ? "in" : "out",
                        input.gainDb().map(PlainNumber::of).orElse(""),
                        input.polarityFlipped() ? "flipped" : "",
                        CsvText.guarded(String.join("; ", InputTracks.names(session, input))),
                        CsvText.guarded(input.notes()));
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
                printer.printRecord(
                        item.count(),
                        CsvText.guarded(item.what()),
                        CsvText.guarded(item.group()),
                        CsvText.guarded(item.note()));
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /** An input's ports by their house labels, as in "Wall 1 | Wall 2"; "Wall 1 |" if the others have none. */
    static String ports(Rig rig, Input input) {
        String labels = rig.labels(input.ports());
        return input.ports().size() == 1 && input.width() > 1 ? labels + " |" : labels;
    }

    static String word(PhantomWish phantom) {
        return phantom == PhantomWish.ON ? "on" : phantom.toString();
    }
}
