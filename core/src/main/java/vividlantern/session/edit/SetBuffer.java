package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Settings;

/** Chooses the buffer, in frames, among those of the interface: small for short delays, large for heavy mixes. */
public record SetBuffer(int bufferFrames) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        if (!rig.driver().bufferFrames().contains(bufferFrames)) {
            throw new Refused(
                    Rules.interfaceName(rig) + " has no buffer of " + bufferFrames + " frames; it has "
                            + rig.driver().bufferFrames() + ".",
                    "bufferFrames");
        }
        Settings was = session.settings();
        return session.with(new Settings(
                was.name(), was.song(), was.sampleRate(), was.bitDepth(), bufferFrames, was.rigId(), was.main()));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Session: buffer of " + bufferFrames + " frames";
    }
}
