package vividlantern.readiness;

import java.util.List;
import vividlantern.engine.Incidents.Incident;
import vividlantern.preamp.Turned;
import vividlantern.timing.MeasuredLatency;

/**
 * What is known of a session on its rig without standing in either.
 *
 * @param turned how preamps that only a hand can turn were left
 * @param measured what was measured of the rig's interfaces over a cable
 * @param incidents what went wrong with the sound since the session took the rig, newest first
 */
public record Noted(List<Turned> turned, List<MeasuredLatency> measured, List<Incident> incidents) {

    public static final Noted NOTHING = new Noted(List.of(), List.of(), List.of());

    public Noted {
        turned = List.copyOf(turned);
        measured = List.copyOf(measured);
        incidents = List.copyOf(incidents);
    }
}
