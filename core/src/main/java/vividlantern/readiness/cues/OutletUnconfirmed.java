package vividlantern.readiness.cues;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import vividlantern.ears.OutletNote;
import vividlantern.ears.OutletStanding;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.cue.Cue;

/** Somebody is plugged in at an outlet at which nobody has heard their cue arrive, or at which it did not. */
public final class OutletUnconfirmed implements Rule {

    private final List<OutletNote> notes;

    public OutletUnconfirmed(List<OutletNote> notes) {
        this.notes = List.copyOf(notes);
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<OutletStanding> outlets = OutletStanding.of(rig, notes);
        List<Finding> findings = new ArrayList<>();
        for (Cue cue : session.cues()) {
            for (Performer listener : session.performers()) {
                if (cue.listeners().contains(listener.id())) {
                    outlets.stream()
                            .filter(outlet ->
                                    session.wornBy(listener.id()).outlet().equals(Optional.of(outlet.outlet())))
                            .filter(outlet -> outlet.state() == OutletStanding.State.NOT_CONFIRMED
                                    || outlet.state() == OutletStanding.State.WRONG)
                            .map(outlet -> finding(outlet, listener, cue))
                            .forEach(findings::add);
                }
            }
        }
        return findings;
    }

    private static Finding finding(OutletStanding outlet, Performer listener, Cue cue) {
        return Finding.byHand(
                Keys.of("outlet-unconfirmed", cue.id(), listener.id(), outlet.outlet(), outlet.told()),
                listener.name() + ", plugged in at " + outlet.label() + ": " + outlet.told(),
                "Whether they hear anything is only known once somebody has listened there.",
                List.of(PartKey.of(cue.id())),
                "Press \"Step through the outlets\" under Cues, and say what you hear.");
    }

    @Override
    public String together(int count) {
        return count + " outlets where performers are plugged in are not confirmed.";
    }
}
