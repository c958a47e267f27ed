package vividlantern.readiness.song;

import java.util.List;
import java.util.Optional;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Parts;
import vividlantern.session.Session;
import vividlantern.session.TrackId;
import vividlantern.session.edit.TrackEdit.AddClick;

/** A voice of the click has no track, so nobody can hear it. */
public final class VoiceWithoutTrack implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.click().voices().stream()
                .filter(voice -> session.tracks().stream()
                        .noneMatch(track -> track.voice().equals(Optional.of(voice.id()))))
                .map(voice -> Finding.fixable(
                        Keys.of("voice-without-track", voice.id()),
                        "The click's voice " + voice.name() + " is on no track.",
                        "Nobody can hear it.",
                        List.of(PartKey.CLICK),
                        "Give it a track",
                        List.of(new AddClick(
                                new TrackId(Parts.freshId(session, PartKind.TRACK, voice.name())),
                                voice.name(),
                                voice.id()))))
                .toList();
    }
}
