package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Settings;

/** Names the session and its song. */
public record SetSessionNames(String name, String song) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        String named = Rules.text(name, "The session", "name");
        Settings was = session.settings();
        return session.with(new Settings(
                named,
                Rules.optionalText(song, "song"),
                was.sampleRate(),
                was.bitDepth(),
                was.bufferFrames(),
                was.rigId(),
                was.main()));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Session: named \"" + name + "\"";
    }
}
