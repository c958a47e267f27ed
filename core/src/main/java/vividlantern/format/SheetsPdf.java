package vividlantern.format;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import vividlantern.patch.BringList;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Channels;
import vividlantern.session.Cue;
import vividlantern.session.Input;
import vividlantern.session.Performer;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;

/**
 * The sheets that are taped to the wall, A4 across: the input list, the patch by place, outputs and headphones, what to
 * bring. Long tables go on on further pages under their headings.
 */
public final class SheetsPdf {

    private SheetsPdf() {}

    public static void write(Session session, Rig rig, LocalDate day, OutputStream out) throws IOException {
        try (PDDocument document = new PDDocument()) {
            String song = session.song().isEmpty() ? "" : ", " + session.song();
            PdfTable table = new PdfTable(document, session.name() + song + " · " + rig.name() + " · " + day);
            document.getDocumentInformation().setTitle(session.name() + song);
            inputs(session, rig, table);
            patch(session, rig, table);
            outputs(session, rig, table);
            bring(session, rig, table);
            table.numberPages();
            document.save(out);
        }
    }

    private static void inputs(Session session, Rig rig, PdfTable table) throws IOException {
        table.begin(
                "Input list",
                List.of(
                        "No.",
                        "Source",
                        "Performer",
                        "Mic or DI",
                        "Stand",
                        "Cable",
                        "Place",
                        "+48 V",
                        "Port",
                        "Gain",
                        "Track",
                        "Notes"),
                new double[] {4, 14, 8, 14, 9, 5, 10, 7, 18, 6, 12, 10});
        for (Input input : session.inputs()) {
            table.row(List.of(
                    String.valueOf(input.number()),
                    sourced(input),
                    performer(session, input),
                    input.mic(),
                    input.stand(),
                    metres(input),
                    input.place(),
                    phantom(input.phantom()),
                    way(rig, input),
                    gain(rig, input),
                    String.join("; ", InputListCsv.trackNames(session, input)),
                    input.notes()));
        }
    }

    /** By device and socket: whoever plugs goes along the box, not along the list. */
    private static void patch(Session session, Rig rig, PdfTable table) throws IOException {
        table.begin(
                "Patch, by place",
                List.of("Box", "Port", "Panel", "Cable from", "Mic or DI", "Place", "+48 V", "No."),
                new double[] {12, 12, 12, 18, 20, 14, 6, 5});
        record Plug(Port port, Input input, int channel) {}
        List<Port> order = rig.ports();
        List<Plug> plugs = session.inputs().stream()
                .flatMap(input -> IntStream.range(0, input.ports().size())
                        .boxed()
                        .flatMap(channel -> rig.port(input.ports().get(channel)).stream()
                                .map(port -> new Plug(port, input, channel))))
                .sorted(Comparator.comparingInt(plug -> order.indexOf(plug.port())))
                .toList();
        for (Plug plug : plugs) {
            Input input = plug.input();
            table.row(List.of(
                    rig.device(plug.port().device()).name(),
                    plug.port().houseLabel(),
                    plug.port().panelName(),
                    (input.source() + " " + Channels.word(input.width(), plug.channel())).strip(),
                    input.mic(),
                    input.place(),
                    phantom(input.phantom()),
                    String.valueOf(input.number())));
        }
    }

    private static void outputs(Session session, Rig rig, PdfTable table) throws IOException {
        table.begin(
                "Outputs and headphones",
                List.of("Pair", "Panel", "Carries", "Who listens", "Ceiling guard"),
                new double[] {18, 16, 20, 30, 12});
        for (StereoPair pair : rig.outputPairs()) {
            List<Cue> cues = session.cues().stream()
                    .filter(cue -> cue.output().equals(Optional.of(pair.id())))
                    .toList();
            boolean main = session.main().output().equals(Optional.of(pair.id()));
            List<String> carries = new ArrayList<>(main ? List.of("Main") : List.of());
            cues.forEach(cue -> carries.add(cue.name()));
            String listeners = String.join(
                    ", ",
                    cues.stream()
                            .flatMap(cue -> cue.listeners().stream())
                            .flatMap(id -> session.find(id).stream())
                            .map(Performer::name)
                            .distinct()
                            .toList());
            boolean guarded = cues.stream().anyMatch(Cue::guarded);
            table.row(List.of(
                    pair.houseLabel(),
                    rig.panelName(pair),
                    String.join(", ", carries),
                    listeners,
                    cues.isEmpty() ? "" : guarded ? "on" : "off"));
        }
    }

    private static void bring(Session session, Rig rig, PdfTable table) throws IOException {
        table.begin("What to bring", List.of("", "How many", "What", "Kind", "Note"), new double[] {4, 8, 34, 20, 24});
        for (BringList.Item item : BringList.of(session, rig)) {
            table.row(List.of(PdfTable.BOX, String.valueOf(item.count()), item.what(), item.group(), item.note()));
        }
    }

    /** The source with what is special about how it comes: stereo, at line level, or turned over. */
    private static String sourced(Input input) {
        String width = input.width() == 1 ? "" : ", " + Channels.width(input.width());
        String level = input.level() == Port.Signal.MIC ? "" : ", " + Documents.word(input.level());
        return input.source() + width + level + (input.polarityFlipped() ? ", polarity flipped" : "");
    }

    private static String performer(Session session, Input input) {
        return input.performer().flatMap(session::find).map(Performer::name).orElse("");
    }

    private static String metres(Input input) {
        return input.cableMetres() == 0 ? "" : InputListCsv.plain(input.cableMetres()) + " m";
    }

    private static String phantom(PhantomWish wish) {
        return switch (wish) {
            case ON -> "on";
            case OFF -> "";
            case NEVER -> "NEVER";
        };
    }

    private static String way(Rig rig, Input input) {
        List<PortId> ends = input.ports().stream().map(rig::followTies).toList();
        String first = rig.labels(input.ports());
        return ends.equals(input.ports()) ? first : first + " > " + rig.labels(ends);
    }

    private static String gain(Rig rig, Input input) {
        String gain = InputListCsv.plain(input.gainDb()) + (input.pad() ? ", pad" : "");
        return rig.preampsOf(input.ports()).isEmpty() ? "" : gain;
    }
}
