package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.units.PlainNumber;

/**
 * A row of the input list: a source with its mic and the port its cable goes into. The thing one plugs into is a
 * port, not an input. A stereo or wide source has a mic, a cable and a port for each of its channels. Gain, pad, phantom and level kind are what is wanted; what the preamp is set to shows there.
 *
 * @param number its place in the list; two inputs never share one
 * @param mic the mic or DI, in the words of the list
 * @param stand what holds the mic, as in "short boom"
 * @param cableMetres how long its cable is, 0 while nobody has said
 * @param place where in the room it stands
 * @param level mic, line or instrument: which input of the port is used
 * @param width how many channels the source has, 1 to 8
 * @param ports where its cables go, in the order of its channels; shorter than its width while some are not patched
 * @param gainDb the preamp gain that is wanted for it; empty while nobody has said, and the preamp stands at its least
 * @param polarityFlipped turned over as it comes in, for the recording and for everybody
 * @param cut taken from every listener until it is let back; the recording goes on
 */
public record Input(
        InputId id,
        int number,
        String source,
        Optional<PerformerId> performer,
        String mic,
        String stand,
        double cableMetres,
        String place,
        PhantomWish phantom,
        Port.Signal level,
        boolean pad,
        int width,
        List<PortId> ports,
        Optional<Double> gainDb,
        boolean polarityFlipped,
        boolean cut,
        String notes)
        implements Part {

    public static final int MAX_WIDTH = 8;
    public static final int HIGHEST_NUMBER = 999;

    public Input {
        ports = List.copyOf(ports);
    }

    /** A row as it begins: a source and nothing else. */
    public static Input of(InputId id, int number, String source) {
        return new Input(
                id,
                number,
                source,
                Optional.empty(),
                "",
                "",
                0,
                "",
                PhantomWish.OFF,
                Port.Signal.MIC,
                false,
                1,
                List.of(),
                Optional.empty(),
                false,
                false,
                "");
    }

    /** The same as another row, with a source of its own. */
    public Input as(InputId newId, int newNumber, String newSource) {
        return with(draft -> {
            draft.id = newId;
            draft.number = newNumber;
            draft.source = newSource;
        });
    }

    public Input sourced(String newSource) {
        return with(draft -> draft.source = newSource);
    }

    public Input numbered(int newNumber) {
        return with(draft -> draft.number = newNumber);
    }

    public Input playedBy(Optional<PerformerId> newPerformer) {
        return with(draft -> draft.performer = newPerformer);
    }

    public Input through(String newMic) {
        return with(draft -> draft.mic = newMic);
    }

    public Input on(String newStand) {
        return with(draft -> draft.stand = newStand);
    }

    public Input cabled(double metres) {
        return with(draft -> draft.cableMetres = metres);
    }

    public Input placed(String newPlace) {
        return with(draft -> draft.place = newPlace);
    }

    public Input powered(PhantomWish newPhantom) {
        return with(draft -> draft.phantom = newPhantom);
    }

    public Input at(Port.Signal newLevel) {
        return with(draft -> draft.level = newLevel);
    }

    public Input padded(boolean on) {
        return with(draft -> draft.pad = on);
    }

    public Input widened(int channels) {
        return with(draft -> draft.width = channels);
    }

    public Input patchedTo(List<PortId> newPorts) {
        return with(draft -> draft.ports = newPorts);
    }

    /** The port of one of its channels, counted from 0. */
    public Optional<PortId> port(int channel) {
        return channel < ports.size() ? Optional.of(ports.get(channel)) : Optional.empty();
    }

    public boolean goesInto(PortId port) {
        return ports.contains(port);
    }

    /** Its ports with another one for one of its channels. */
    public List<PortId> portsWith(PortId port, int channel) {
        return IntStream.range(0, ports.size())
                .mapToObj(at -> at == channel ? port : ports.get(at))
                .toList();
    }

    /** Whether each of its cables has a port. */
    public boolean isPatched() {
        return ports.size() == width;
    }

    public Input amplified(double newGainDb) {
        return amplified(Optional.of(newGainDb));
    }

    public Input amplified(Optional<Double> newGainDb) {
        return with(draft -> draft.gainDb = newGainDb);
    }

    public Input flipped(boolean on) {
        return with(draft -> draft.polarityFlipped = on);
    }

    public Input cut(boolean on) {
        return with(draft -> draft.cut = on);
    }

    public Input noted(String newNotes) {
        return with(draft -> draft.notes = newNotes);
    }

    private Input with(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return new Input(
                draft.id,
                draft.number,
                draft.source,
                draft.performer,
                draft.mic,
                draft.stand,
                draft.cableMetres,
                draft.place,
                draft.phantom,
                draft.level,
                draft.pad,
                draft.width,
                draft.ports,
                draft.gainDb,
                draft.polarityFlipped,
                draft.cut,
                draft.notes);
    }

    /** An input while one thing of it is changed; it never leaves this class. */
    private static final class Draft {
        private InputId id;
        private int number;
        private String source;
        private Optional<PerformerId> performer;
        private String mic;
        private String stand;
        private double cableMetres;
        private String place;
        private PhantomWish phantom;
        private Port.Signal level;
        private boolean pad;
        private int width;
        private List<PortId> ports;
        private Optional<Double> gainDb;
        private boolean polarityFlipped;
        private boolean cut;
        private String notes;

        private Draft(Input input) {
            id = input.id;
            number = input.number;
            source = input.source;
            performer = input.performer;
            mic = input.mic;
            stand = input.stand;
            cableMetres = input.cableMetres;
            place = input.place;
            phantom = input.phantom;
            level = input.level;
            pad = input.pad;
            width = input.width;
            ports = input.ports;
            gainDb = input.gainDb;
            polarityFlipped = input.polarityFlipped;
            cut = input.cut;
            notes = input.notes;
        }
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Input " + source;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("number", String.valueOf(number));
        traits.put("source", source);
        traits.put("performer", performer.map(names::performer).orElse("nobody"));
        traits.put("mic", names.mic(mic));
        traits.put("stand", stand);
        traits.put("cable", PlainNumber.of(cableMetres) + " m");
        traits.put("place", place);
        traits.put("+48 V", PartNames.word(phantom));
        traits.put("level", PartNames.word(level));
        traits.put("pad", PartNames.onOff(pad));
        traits.put("channels", String.valueOf(width));
        traits.put("port", names.ports(ports));
        traits.put("gain", gainDb.map(gain -> PlainNumber.of(gain) + " dB").orElse("not set"));
        traits.put("polarity", polarityFlipped ? "flipped" : "normal");
        traits.put("cut", PartNames.onOff(cut));
        traits.put("notes", notes);
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return performer.isEmpty() || session.find(performer.get()).isPresent();
    }
}
