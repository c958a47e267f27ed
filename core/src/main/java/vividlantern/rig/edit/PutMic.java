package vividlantern.rig.edit;

import vividlantern.rig.Mic;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Puts a mic or DI into the locker, or describes one that is there anew. */
public record PutMic(Mic mic) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        Mic put = RigRules.mic(mic);
        return RigRules.with(rig, RigPartKey.of(put), put);
    }

    @Override
    public String summary(Rig rig) {
        return mic.count() + " × " + mic.listed();
    }
}
