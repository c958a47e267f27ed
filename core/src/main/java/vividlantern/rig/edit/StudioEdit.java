package vividlantern.rig.edit;

import java.util.SortedMap;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigParts;
import vividlantern.rig.RigSettings;

/** Changes of a rig as a whole. */
public sealed interface StudioEdit extends RigEdit {

    /** Calls the rig something else. */
    record NameRig(String name) implements StudioEdit {

        @Override
        public Rig applyTo(Rig rig) {
            RigSettings named = new RigSettings(Texts.name(name, "A rig", "name"), rig.celsius());
            return RigRules.with(rig, RigPartKey.SETTINGS, named);
        }

        @Override
        public String summary(Rig rig) {
            return rig.name() + " is called " + name;
        }
    }

    /** Says how warm the room is, in degrees Celsius from -20 to 60: the speed of sound follows. */
    record SetRoomTemperature(double celsius) implements StudioEdit {

        @Override
        public Rig applyTo(Rig rig) {
            return RigRules.with(rig, RigPartKey.SETTINGS, new RigSettings(rig.name(), RigRules.celsius(celsius)));
        }

        @Override
        public String summary(Rig rig) {
            return rig.name() + ": " + celsius + " °C";
        }
    }

    /** Replaces all that a rig holds, as when going back to a kept copy or taking in a document. Id and revision stay. */
    record ReplaceRig(Rig by) implements StudioEdit {

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
        public boolean largeByItself() {
            return true;
        }

        @Override
        public String summary(Rig rig) {
            return "All of " + rig.name() + " replaced";
        }
    }
}
