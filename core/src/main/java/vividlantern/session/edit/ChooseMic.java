package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;

/** Gives an input a mic or DI of the locker, with the +48 V that it needs or must never have, at mic level. */
public record ChooseMic(InputId input, MicId mic) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, input);
        Mic chosen = rig.mics().stream()
                .filter(each -> each.id().equals(mic))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no mic '" + mic + "' in the locker.", "mic"));
        PhantomWish phantom = switch (chosen.kind().phantom()) {
            case NEEDED -> PhantomWish.ON;
            case DANGEROUS -> PhantomWish.NEVER;
            case INDIFFERENT -> PhantomWish.OFF;
        };
        return session.change(
                input, each -> each.through(chosen.listed()).powered(phantom).at(Port.Signal.MIC));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, input) + ": " + Rules.name(rig, mic) + " from the locker";
    }
}
