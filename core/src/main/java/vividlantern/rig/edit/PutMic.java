package vividlantern.rig.edit;

import vividlantern.rig.Mic;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Puts a mic or DI into the locker, or describes one that is there anew. */
public record PutMic(Mic mic) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        boolean known = rig.mics().stream().anyMatch(each -> each.id().equals(mic.id()));
        RigRules.newId(mic.id().value(), false, "mic");
        RigRules.within(mic.count(), 1, 999, "How many there are", "count");
        RigRules.within(mic.sensitivityMvPa(), 0, 1000, "A sensitivity in mV/Pa", "sensitivityMvPa");
        Mic put = new Mic(
                mic.id(),
                RigRules.text(mic.name(), "A mic", "name"),
                mic.kind(),
                mic.count(),
                mic.sensitivityMvPa(),
                mic.connector().strip());
        return RigRules.with(rig, RigPartKey.of(put), put);
    }

    @Override
    public String summary(Rig rig) {
        return mic.count() + " × " + mic.listed();
    }
}
