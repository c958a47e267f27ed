package vividlantern.server.desk;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.ears.OutletNote;
import vividlantern.format.Documents;
import vividlantern.history.History;
import vividlantern.preamp.Turned;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.rig.RigComparison;
import vividlantern.rig.RigId;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.edit.RigEdit;
import vividlantern.rig.edit.StudioEdit.NameRig;
import vividlantern.rig.edit.StudioEdit.ReplaceRig;
import vividlantern.server.store.Bin;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.StoreWatch;
import vividlantern.server.store.Unreadable;
import vividlantern.timing.MeasuredLatency;

/** The open rigs. A change is made here and nowhere else: tried, stored, and only then published. */
@Component
public class RigDesk {

    private static final Logger LOG = LoggerFactory.getLogger(RigDesk.class);

    private final RigStore store;
    private final Bin bin;
    private final ApplicationEventPublisher events;
    private final OpenOnes<RigId, Rig, RigPartKey, RigPart> open = new OpenOnes<>(this::read);
    private volatile Consumer<Rig> consent = changed -> {};

    public RigDesk(RigStore store, Bin bin, ApplicationEventPublisher events) {
        this.store = store;
        this.bin = bin;
        this.events = events;
    }

    /** Asks somebody about every change before it is stored, however it was made; who refuses it throws. */
    public void changesIf(Consumer<Rig> asked) {
        consent = asked;
    }

    public Rig rig(RigId id) {
        return open.get(id).whole();
    }

    /** All rigs that can be read. */
    public List<Rig> readable() {
        List<Rig> readable = new ArrayList<>();
        for (RigStore.StoredRig stored : store.rigs()) {
            try {
                readable.add(rig(new RigId(stored.id())));
            } catch (Unreadable known) {
                LOG.debug("The rig {} is left out.", stored.id(), known);
            }
        }
        return readable;
    }

    public List<RigStore.StoredRig> rigs() {
        return store.rigs();
    }

    /** Begins a rig that holds what another one does; nothing at first, for instance. One at a time, as their ids come from names. */
    public synchronized Rig create(String name, Function<Rig, Rig> filled) {
        String called = Texts.name(name, "A rig", "name");
        String id = Ids.fresh(called, taken -> store.has(new RigId(taken)));
        Rig rig = filled.apply(Rig.empty(new RigId(id), called));
        store.add(rig);
        return rig;
    }

    /** Begins a rig that is a copy of another one. */
    public Rig duplicate(RigId id) {
        Rig from = rig(id);
        return create(
                Texts.ofCopy(from.name()),
                empty -> RigParts.assemble(
                        empty.id(), 0, RigParts.OF_RIG.parts(new NameRig(empty.name()).applyTo(from))));
    }

    /** Deletes a rig for good that was begun for something that came to nothing. */
    void forget(RigId id) {
        remove(id);
        bin.delete(Bin.Kind.RIG, id.value());
    }

    /** Puts a rig into the bin while nobody can change it, and forgets it. */
    void remove(RigId id) {
        open.close(id, () -> bin.put(Bin.Kind.RIG, id.value()));
    }

    /** Takes a rig in as it is, unless there is one of that id. */
    public synchronized void takeIn(Rig rig) {
        if (!store.has(rig.id())) {
            store.add(rig);
        }
    }

    public Rig change(RigId id, String person, List<RigEdit> edits, OptionalLong basedOn) {
        return make(id, edits, held -> RigEdit.make(edits, held.whole(), held.history(), person, basedOn));
    }

    public Rig undo(RigId id, String person) {
        return undo(id, person, OptionalLong.empty());
    }

    /** Takes back the person's last change, or the given line of the log. */
    public Rig undo(RigId id, String person, OptionalLong line) {
        return make(id, List.of(), held -> OpenOnes.undone(held, person, line));
    }

    public Rig redo(RigId id, String person) {
        return make(id, List.of(), held -> held.history().redo(held.whole(), person));
    }

    public UndoState undoState(RigId id, String person) {
        return open.undoState(id, person);
    }

    public List<RigStore.Kept> copies(RigId id) {
        return store.copies(open.get(id).whole().id());
    }

    /** Keeps a copy of the rig as it is, under a name. */
    public RigStore.Kept keep(RigId id, String name) {
        return open.whileHeld(id, held -> {
            long number = store.keep(id, Texts.name(name, "A copy", "name"), Documents.write(held.whole()));
            return copies(id).stream()
                    .filter(each -> each.number() == number)
                    .findFirst()
                    .orElseThrow();
        });
    }

    public Rig copy(RigId id, long number) {
        return store.copy(id, number)
                .map(document -> Documents.read(document, Rig.class))
                .orElseThrow(() -> new NotFound("There is no copy " + number + " of this rig."));
    }

    /** What going back to a copy would change, in words. */
    public List<String> compare(RigId id, long number) {
        Rig now = rig(id);
        return RigComparison.words(now, new ReplaceRig(copy(id, number)).applyTo(now));
    }

    /** What was noted of the preamps that only a hand can turn. */
    public List<Turned> turned(RigId id) {
        return store.turned(open.get(id).whole().id());
    }

    /** Notes how such a preamp stands. It is no change of the rig: the program cannot know whether it stays true. */
    public void note(RigId id, Turned turned) {
        Port preamp = rig(id).port(turned.port())
                .filter(port -> port.hasPreamp() && !port.remote())
                .orElseThrow(() ->
                        new Refused("There is no preamp at '" + turned.port() + "' that is set by hand.", "port"));
        if (preamp.gain().settle(turned.gainDb()) != turned.gainDb() || turned.phantom() && !preamp.phantom()) {
            throw new Refused(preamp.houseLabel() + " cannot be turned to that.", "gainDb");
        }
        open.whileHeld(id, held -> {
            store.note(id, turned);
            return held;
        });
        events.publishEvent(new RigTurned(id));
    }

    /** What was found at outlets of headphone amps. */
    public List<OutletNote> outlets(RigId id) {
        return store.outlets(open.get(id).whole().id());
    }

    /** Notes what was found at an outlet. It is no change of the rig. */
    public void note(RigId id, OutletNote found) {
        found.requireOf(rig(id));
        open.whileHeld(id, held -> {
            store.note(id, found);
            return held;
        });
        events.publishEvent(new RigTurned(id));
    }

    /** What was measured of a rig's interfaces over a cable. */
    public List<MeasuredLatency> measured(RigId id) {
        return store.measured(open.get(id).whole().id());
    }

    /** Keeps what was measured, as the newest of its device and rate. */
    public void keep(RigId id, String device, int sampleRate, MeasuredLatency.Measurement measured) {
        open.whileHeld(id, held -> {
            store.keep(
                    id,
                    measuredOf(id, device, sampleRate)
                            .map(known -> known.measured(measured))
                            .orElseGet(() -> new MeasuredLatency(device, sampleRate, measured, Optional.empty())));
            return held;
        });
        events.publishEvent(new RigMeasured(id));
    }

    /** Lets the newest measurement of a device and a rate count, or the driver again. */
    public void adopt(RigId id, String device, int sampleRate, boolean on) {
        open.whileHeld(id, held -> {
            MeasuredLatency known = measuredOf(id, device, sampleRate)
                    .orElseThrow(() -> new Refused(
                            "Nothing was measured of that device at " + sampleRate + " Hz. Measure with a cable first.",
                            "device"));
            store.keep(id, known.adopting(on));
            return held;
        });
        events.publishEvent(new RigMeasured(id));
    }

    private Optional<MeasuredLatency> measuredOf(RigId id, String device, int sampleRate) {
        return measured(id).stream()
                .filter(each -> each.device().equals(device) && each.sampleRate() == sampleRate)
                .findFirst();
    }

    private Rig make(
            RigId id,
            List<RigEdit> edits,
            Function<OpenOnes.Held<Rig, RigPartKey, RigPart>, History.Outcome<Rig, RigPartKey, RigPart>> change) {
        return open.change(
                id,
                held -> {
                    Rig before = held.whole();
                    History.Outcome<Rig, RigPartKey, RigPart> outcome = change.apply(held);
                    return new OpenOnes.Made<>(outcome, () -> {
                        consent.accept(outcome.whole());
                        if (RigEdit.isLarge(edits)) {
                            String name = RigStore.KEPT_BY_ITSELF + RigEdit.summarise(edits, before);
                            store.keep(id, name, Documents.write(before));
                        }
                        store.save(before, outcome, edits);
                    });
                },
                (before, outcome) -> events.publishEvent(new RigChanged(before, outcome.whole())));
    }

    /** After the database was gone: what is open is what is stored, whatever became of the change that failed. */
    @EventListener
    public void follow(StoreWatch.Back back) {
        open.backToStored(this::readable, (before, stored) -> events.publishEvent(new RigChanged(before, stored)));
    }

    private Optional<OpenOnes.Held<Rig, RigPartKey, RigPart>> readable(RigId id) {
        try {
            return store.rig(id).map(this::held);
        } catch (Unreadable known) {
            LOG.debug("The rig {} stays as it is.", id, known);
            return Optional.empty();
        }
    }

    /** Lets go of rigs that nobody has looked at for some time. Comes back at once: one that is being changed is not looked at. */
    public void letGo(Duration unseen, Predicate<RigId> needed) {
        open.letGo(unseen, needed);
    }

    /** Whether a rig is open; asking does not open it. */
    public boolean isOpen(RigId id) {
        return open.ifOpen(id).isPresent();
    }

    private OpenOnes.Held<Rig, RigPartKey, RigPart> read(RigId id) {
        return held(store.rig(id).orElseThrow(() -> new NotFound("There is no rig '" + id + "'.")));
    }

    private OpenOnes.Held<Rig, RigPartKey, RigPart> held(Rig rig) {
        return new OpenOnes.Held<>(rig, new History<>(RigParts.OF_RIG, store.log(rig.id()), rig.revision()));
    }
}
