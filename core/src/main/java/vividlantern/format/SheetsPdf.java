package vividlantern.format;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import vividlantern.patch.BringList;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
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
                        "Track"),
                new double[] {4, 14, 9, 16, 9, 6, 12, 7, 20, 5, 13});
        for (Input input : session.inputs()) {
            table.row(List.of(
                    String.valueOf(input.number()),
                    input.source(),
                    performer(session, input),
                    input.mic(),
                    input.stand(),
                    metres(input),
                    input.place(),
                    phantom(input.phantom()),
                    way(rig, input),
                    gain(rig, input),
                    String.join("; ", InputListCsv.trackNames(session, input))));
        }
    }

    /** By device and socket: whoever plugs goes along the box, not along the list. */
    private static void patch(Session session, Rig rig, PdfTable table) throws IOException {
        table.begin(
                "Patch, by place",
                List.of("Box", "Port", "Panel", "Cable from", "Mic or DI", "Place", "+48 V", "No."),
                new double[] {12, 12, 12, 18, 20, 14, 6, 5});
        List<Port> order = rig.ports();
        List<Input> patched = session.inputs().stream()
                .filter(input -> input.port().flatMap(rig::port).isPresent())
                .sorted(Comparator.comparingInt(input ->
                        order.indexOf(rig.port(input.port().orElseThrow()).orElseThrow())))
                .toList();
        for (Input input : patched) {
            Port port = rig.port(input.port().orElseThrow()).orElseThrow();
            table.row(List.of(
                    rig.device(port.device()).name(),
                    port.houseLabel(),
                    port.panelName(),
                    input.source(),
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
        if (input.port().isEmpty()) {
            return "";
        }
        PortId entry = input.port().get();
        PortId end = rig.followTies(entry);
        String first = label(rig, entry);
        return end.equals(entry) ? first : first + " > " + label(rig, end);
    }

    private static String gain(Rig rig, Input input) {
        return input.port().flatMap(rig::preampFor).isEmpty() ? "" : InputListCsv.plain(input.gainDb());
    }

    private static String label(Rig rig, PortId port) {
        return rig.port(port).map(Port::houseLabel).orElse(port.value());
    }
}
