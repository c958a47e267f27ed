package vividlantern.rig.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Takes a mic or DI out of the locker. */
public record RemoveMic(MicId mic) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        return RigRules.without(rig, RigPartKey.of(known(rig)));
    }

    @Override
    public String summary(Rig rig) {
        return known(rig).name() + " taken out of the locker";
    }

    private Mic known(Rig rig) {
        return rig.mics().stream()
                .filter(each -> each.id().equals(mic))
                .findFirst()
                .orElseThrow(() -> new Refused("There is no mic '" + mic + "' in the locker.", "mic"));
    }
}
