package vividlantern.session.edit;

import vividlantern.history.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.TempoMap;

/** Sets tempos and time signatures. */
public record SetTempoMap(TempoMap tempoMap) implements Edit {

    @Override
    public Session applyTo(Session session, Rig rig) {
        String fault = tempoMap.fault();
        if (!fault.isEmpty()) {
            throw new Refused(fault, "tempoMap");
        }
        return session.with(tempoMap);
    }

    @Override
    public String summary(Session session, Rig rig) {
        return "Tempo map: changed";
    }
}
