package vividlantern.session;

import java.util.Optional;
import vividlantern.rig.PortId;

/**
 * A row of the input list: a source with its mic and the port its cable goes into. The thing one plugs into is a
 * port, not an input.
 *
 * @param number its place in the list; two inputs never share one
 * @param gainDb the preamp gain that is wanted for it
 */
public record Input(
        InputId id,
        int number,
        String source,
        Optional<PerformerId> performer,
        String mic,
        PhantomWish phantom,
        Optional<PortId> port,
        double gainDb,
        String notes)
        implements Part {

    public Input sourced(String newSource) {
        return new Input(id, number, newSource, performer, mic, phantom, port, gainDb, notes);
    }

    public Input numbered(int newNumber) {
        return new Input(id, newNumber, source, performer, mic, phantom, port, gainDb, notes);
    }

    public Input playedBy(Optional<PerformerId> newPerformer) {
        return new Input(id, number, source, newPerformer, mic, phantom, port, gainDb, notes);
    }

    public Input through(String newMic) {
        return new Input(id, number, source, performer, newMic, phantom, port, gainDb, notes);
    }

    public Input powered(PhantomWish newPhantom) {
        return new Input(id, number, source, performer, mic, newPhantom, port, gainDb, notes);
    }

    public Input patchedTo(Optional<PortId> newPort) {
        return new Input(id, number, source, performer, mic, phantom, newPort, gainDb, notes);
    }

    public Input amplified(double newGainDb) {
        return new Input(id, number, source, performer, mic, phantom, port, newGainDb, notes);
    }

    public Input noted(String newNotes) {
        return new Input(id, number, source, performer, mic, phantom, port, gainDb, newNotes);
    }
}
