package vividlantern.session.edit;

import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TrackId;

/** Puts a track into a folder, by the folder's name; "" takes it out of any. */
public record SetTrackFolder(TrackId track, String folder) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        Rules.known(session, track);
        String named = Rules.optionalText(folder, "folder");
        return session.change(track, each -> each.looking(each.look().inFolder(named)));
    }

    @Override
    public String summary(Session session, Rig rig) {
        return Rules.name(session, track) + (folder.isBlank() ? ": in no folder" : ": in the folder " + folder);
    }
}
