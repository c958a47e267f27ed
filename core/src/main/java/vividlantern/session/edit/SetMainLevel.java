package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.MainMix;
import vividlantern.session.Session;
import vividlantern.session.Settings;
import vividlantern.units.Decibels;

/** Sets the level of the whole main mix. */
public record SetMainLevel(Decibels level) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Settings was = session.settings();
        MainMix main =
                new MainMix(Rules.fader(level, "The main level"), was.main().output());
        return session.with(new Settings(
                was.name(), was.song(), was.sampleRate(), was.bitDepth(), was.bufferFrames(), was.rigId(), main));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Main: level " + level;
    }
}
