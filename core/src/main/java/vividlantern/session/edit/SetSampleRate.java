package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Settings;

/** Chooses the sample rate, in Hz, among those of the interface. Digital links carry fewer channels at higher rates. */
public record SetSampleRate(int sampleRate) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (!rig.driver().sampleRates().contains(sampleRate)) {
            throw new Refused(
                    Rules.interfaceName(rig) + " does not run at " + sampleRate + " Hz; it runs at "
                            + rig.driver().sampleRates() + ".",
                    "sampleRate");
        }
        Settings was = session.settings();
        return session.with(new Settings(
                was.name(), was.song(), sampleRate, was.bitDepth(), was.bufferFrames(), was.rigId(), was.main()));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Session: " + sampleRate / 1000.0 + " kHz";
    }
}
