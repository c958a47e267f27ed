package vividlantern.session;

import java.util.Optional;
import java.util.function.Consumer;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;

/**
 * A row of the input list: a source with its mic and the port its cable goes into. The thing one plugs into is a
 * port, not an input. Gain, pad, phantom and level kind are what is wanted; what the preamp is set to shows there.
 *
 * @param number its place in the list; two inputs never share one
 * @param mic the mic or DI, in the words of the list
 * @param stand what holds the mic, as in "short boom"
 * @param cableMetres how long its cable is, 0 while nobody has said
 * @param place where in the room it stands
 * @param level mic, line or instrument: which input of the port is used
 * @param gainDb the preamp gain that is wanted for it
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
        Optional<PortId> port,
        double gainDb,
        boolean cut,
        String notes)
        implements Part {

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
                Optional.empty(),
                0,
                false,
                "");
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

    public Input patchedTo(Optional<PortId> newPort) {
        return with(draft -> draft.port = newPort);
    }

    public Input amplified(double newGainDb) {
        return with(draft -> draft.gainDb = newGainDb);
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
                id,
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
                draft.port,
                draft.gainDb,
                draft.cut,
                draft.notes);
    }

    /** An input while one thing of it is changed; it never leaves this class. */
    private static final class Draft {
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
        private Optional<PortId> port;
        private double gainDb;
        private boolean cut;
        private String notes;

        private Draft(Input input) {
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
            port = input.port;
            gainDb = input.gainDb;
            cut = input.cut;
            notes = input.notes;
        }
    }
}
