package vividlantern.readiness;

import java.util.List;
import java.util.Map;
import vividlantern.engine.Incidents.Incident;
import vividlantern.playback.MediaState;
import vividlantern.preamp.Turned;
import vividlantern.session.MediaId;
import vividlantern.timing.MeasuredLatency;

/**
 * What is known of a session on its rig without standing in either.
 *
 * @param turned how preamps that only a hand can turn were left
 * @param measured what was measured of the rig's interfaces over a cable
 * @param incidents what went wrong with the sound since the session took the rig, newest first
 * @param media how the sounds of its backing tracks are found; nothing of those that are not known of
 */
public record Noted(
        List<Turned> turned, List<MeasuredLatency> measured, List<Incident> incidents, Map<MediaId, MediaState> media) {

    public static final Noted NOTHING = new Noted(List.of(), List.of(), List.of(), Map.of());

    public Noted {
        turned = List.copyOf(turned);
        measured = List.copyOf(measured);
        incidents = List.copyOf(incidents);
        media = Map.copyOf(media);
    }
}
