package vividlantern.rig.edit;

import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.RigSettings;

/** Says how warm the room is, in degrees Celsius from -20 to 60: the speed of sound follows. */
public record SetRoomTemperature(double celsius) implements RigEdit {

    @Override
    public Rig applyTo(Rig rig) {
        return RigRules.with(rig, RigPartKey.SETTINGS, new RigSettings(rig.name(), RigRules.celsius(celsius)));
    }

    @Override
    public String summary(Rig rig) {
        return rig.name() + ": " + celsius + " °C";
    }
}
