package vividlantern.format;

import static vividlantern.format.PdfTable.Column.bold;
import static vividlantern.format.PdfTable.Column.of;

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
import vividlantern.patch.InputTracks;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Channels;
import vividlantern.session.Input;
import vividlantern.session.PartNames;
import vividlantern.session.Performer;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.TrackWay;
import vividlantern.session.cue.Cue;
import vividlantern.session.song.SongOutline;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;
import vividlantern.units.PlainNumber;

/**
 * The sheets that are taped to the wall, A4 across: the songs if there are several, the parts of the song, the input list, the patch by place, outputs
 * and headphones, what each performer hears, what to bring. Long tables go on on further pages under their headings; source and port, which are looked for, are bold.
 */
public final class SheetsPdf {

    private SheetsPdf() {}

    /** @param songs the sessions of the production in the order of its song list */
    public static void write(Session session, Rig rig, List<Session> songs, LocalDate day, OutputStream out)
            throws IOException {
        try (PDDocument document = new PDDocument()) {
            String song = session.song().isEmpty() ? "" : ", " + session.song();
            PdfTable table = new PdfTable(document, session.name() + song + " · " + rig.name() + " · " + day);
            document.getDocumentInformation().setTitle(session.name() + song);
            if (songs.size() > 1) {
                songs(songs, table);
            }
            if (!session.markers().isEmpty()) {
                parts(session, table);
            }
            inputs(session, rig, table);
            patch(session, rig, table);
            outputs(session, rig, table);
            new CueSheets(session, rig, table).write();
            bring(session, rig, table);
            table.numberPages();
            document.save(out);
        }
    }

    private static void songs(List<Session> songs, PdfTable table) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (Session song : songs) {
            TempoMap.Tempo tempo = song.tempoMap().tempos().get(0);
            TempoMap.Meter meter = song.tempoMap().meters().get(0);
            rows.add(List.of(
                    String.valueOf(rows.size() + 1),
                    song.song(),
                    PlainNumber.of(tempo.beatsPerMinute()),
                    meter.beats() + "/" + meter.noteValue(),
                    song.songListed().key(),
                    song.songListed().notes()));
        }
        table.write(
                "Song list", List.of(bold("No."), bold("Song"), of("Tempo"), of("Time"), of("Key"), of("Notes")), rows);
    }

    /** The parts of the song with their lengths, and what people count there. */
    private static void parts(Session session, PdfTable table) throws IOException {
        TempoCurve curve = session.tempoMap().curve();
        List<List<String>> rows = new ArrayList<>();
        for (SongOutline.SongPart part : SongOutline.of(session).parts()) {
            TempoMap.Meter meter = curve.meters().get(curve.meterAtBar(part.bar()));
            double begins = curve.quarterOf(part.bar(), 0);
            boolean last = session.tempoMap().lastBar().isEmpty()
                    && part.marker()
                            .equals(session.markers()
                                    .get(session.markers().size() - 1)
                                    .id());
            rows.add(List.of(
                    part.name(),
                    String.valueOf(part.bar()),
                    last ? "open" : String.valueOf(part.bars()),
                    meter.beats() + "/" + meter.noteValue() + (meter.feltIn() == 0 ? "" : " in " + meter.feltIn()),
                    PlainNumber.of(Math.rint(100 * curve.beatsPerMinute(begins)) / 100) + " "
                            + curve.counted(begins).words() + "s"));
        }
        table.write(
                "Parts of the song", List.of(bold("Part"), of("From bar"), of("Bars"), of("Time"), of("Tempo")), rows);
    }

    private static void inputs(Session session, Rig rig, PdfTable table) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (Input input : session.inputs()) {
            rows.add(List.of(
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
                    String.join("; ", InputTracks.names(session, input)),
                    input.notes()));
        }
        table.write(
                "Input list",
                List.of(
                        bold("No."),
                        bold("Source"),
                        of("Performer"),
                        of("Mic or DI"),
                        of("Stand"),
                        of("Cable m"),
                        of("Place"),
                        of("+48 V"),
                        bold("Port"),
                        of("Gain dB"),
                        of("Track"),
                        of("Notes")),
                rows);
    }

    /** By device and socket: whoever plugs goes along the box, not along the list. */
    private static void patch(Session session, Rig rig, PdfTable table) throws IOException {
        record Plug(Port port, Input input, int channel) {}
        List<Port> order = rig.ports();
        List<Plug> plugs = session.inputs().stream()
                .flatMap(input -> IntStream.range(0, input.ports().size())
                        .boxed()
                        .flatMap(channel -> rig.port(input.ports().get(channel)).stream()
                                .map(port -> new Plug(port, input, channel))))
                .sorted(Comparator.comparingInt(plug -> order.indexOf(plug.port())))
                .toList();
        List<List<String>> rows = new ArrayList<>();
        for (Plug plug : plugs) {
            Input input = plug.input();
            rows.add(List.of(
                    rig.device(plug.port().device()).name(),
                    plug.port().houseLabel(),
                    plug.port().panelName(),
                    (input.source() + " " + Channels.word(input.width(), plug.channel())).strip(),
                    input.mic(),
                    input.place(),
                    phantom(input.phantom()),
                    String.valueOf(input.number())));
        }
        table.write(
                "Patch, by place",
                List.of(
                        of("Box"),
                        bold("Port"),
                        of("Panel"),
                        bold("Cable from"),
                        of("Mic or DI"),
                        of("Place"),
                        of("+48 V"),
                        bold("No.")),
                rows);
    }

    private static void outputs(Session session, Rig rig, PdfTable table) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        for (StereoPair pair : rig.outputPairs()) {
            List<Cue> cues = session.cues().stream()
                    .filter(cue -> cue.leavesBy(pair.id()))
                    .toList();
            boolean main = session.main().output().equals(Optional.of(pair.id()));
            List<String> carries = new ArrayList<>(main ? List.of("Main") : List.of());
            cues.forEach(cue -> carries.add(cue.name()));
            List<String> sentOut = sentOut(session, rig, pair);
            carries.addAll(sentOut);
            String listeners = String.join(
                    ", ",
                    cues.stream()
                            .flatMap(cue -> cue.listeners().stream())
                            .flatMap(id -> session.find(id).stream())
                            .map(Performer::name)
                            .distinct()
                            .toList());
            boolean guarded = cues.stream().anyMatch(Cue::guarded)
                    || cues.isEmpty() && !sentOut.isEmpty() && pair.feeds() == StereoPair.Feeds.HEADPHONES;
            rows.add(List.of(
                    pair.houseLabel(),
                    rig.panelName(pair),
                    String.join(", ", carries),
                    listeners,
                    guarded ? "on" + pastTheGuard(session, cues) : cues.isEmpty() ? "" : "off"));
        }
        table.write(
                "Outputs and headphones",
                List.of(bold("Pair"), of("Panel"), bold("Carries"), of("Who listens"), of("Ceiling guard")),
                rows);
    }

    /** The tracks that are sent out by a pair; of one port, which. */
    private static List<String> sentOut(Session session, Rig rig, StereoPair pair) {
        PartNames names = new PartNames(session, rig);
        return session.ways().stream()
                .flatMap(way -> way.outs().stream()
                        .filter(out -> out.pair().equals(pair.id()))
                        .map(out -> names.track(way.track())
                                + (out.side() == TrackWay.Side.BOTH ? "" : " by " + names.outputs(out))))
                .toList();
    }

    /** What is heard direct passes no guard. */
    private static String pastTheGuard(Session session, List<Cue> cues) {
        List<String> direct = session.direct().stream()
                .filter(each -> cues.stream().anyMatch(cue -> cue.id().equals(each.cue())))
                .flatMap(each -> session.find(each.input()).stream())
                .map(Input::source)
                .distinct()
                .toList();
        return direct.isEmpty() ? "" : ", not for what is heard direct: " + String.join(", ", direct);
    }

    private static void bring(Session session, Rig rig, PdfTable table) throws IOException {
        table.write(
                "What to bring",
                List.of(of(""), of("How many"), bold("What"), of("Kind"), of("Note")),
                BringList.of(session, rig).stream()
                        .map(item -> List.of(
                                PdfTable.BOX, String.valueOf(item.count()), item.what(), item.group(), item.note()))
                        .toList());
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
        return input.cableMetres() == 0 ? "" : PlainNumber.of(input.cableMetres());
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
        String gain = input.gainDb().map(PlainNumber::of).orElse("") + (input.pad() ? ", pad" : "");
        return rig.preampsOf(input.ports()).isEmpty() ? "" : gain;
    }
}
