package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TempoMap;

/** Sets tempos, in steps of 0.01 beats a minute, and time signatures. */
public record SetTempoMap(TempoMap tempoMap) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        String fault = tempoMap.fault();
        if (!fault.isEmpty()) {
            throw new Refused(fault, "tempoMap");
        }
        return session.with(tempoMap.inSteps());
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Tempo map: changed";
    }
}
