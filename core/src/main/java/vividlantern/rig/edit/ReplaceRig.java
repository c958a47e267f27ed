package vividlantern.rig.edit;

import java.util.SortedMap;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;

/** Replaces all that a rig holds, as when going back to a kept copy or taking in a document. Id and revision stay. */
public record ReplaceRig(Rig by) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        SoundRig.require(by);
        Rig kept = withRetired(rig);
        return RigParts.assemble(rig.id(), rig.revision(), RigParts.OF_RIG.parts(kept));
    }

    /** Ports of today that the other state does not know are retired, never deleted: sessions may speak of them. */
    private Rig withRetired(Rig rig) {
        SortedMap<RigPartKey, RigPart> parts = RigParts.OF_RIG.parts(by);
        rig.devices().stream()
                .filter(device -> !parts.containsKey(RigPartKey.of(device)))
                .forEach(device -> parts.put(RigPartKey.of(device), device.retired(true)));
        rig.ports().stream()
                .filter(port -> !parts.containsKey(RigPartKey.of(port)))
                .forEach(port -> parts.put(RigPartKey.of(port), port.hidden(true)));
        return RigParts.assemble(rig.id(), rig.revision(), parts);
    }

    @Override
    public String summary(Rig rig) {
        return "All of " + rig.name() + " replaced";
    }
}
