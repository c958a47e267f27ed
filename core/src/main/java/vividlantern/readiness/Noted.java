package vividlantern.readiness;

import java.util.List;
import vividlantern.engine.Incidents.Incident;
import vividlantern.preamp.Turned;

/**
 * What is known of a session on its rig without standing in either.
 *
 * @param turned how preamps that only a hand can turn were left
 * @param incidents what went wrong with the sound since the session took the rig, newest first
 */
public record Noted(List<Turned> turned, List<Incident> incidents) {

    public static final Noted NOTHING = new Noted(List.of(), List.of());

    public Noted {
        turned = List.copyOf(turned);
        incidents = List.copyOf(incidents);
    }
}
