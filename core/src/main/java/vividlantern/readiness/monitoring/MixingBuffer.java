package vividlantern.readiness.monitoring;

import java.util.List;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Monitoring;
import vividlantern.session.PartKey;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.edit.MonitoringEdit.SetPurpose;

/** Tracks are armed while the buffer to mix is set. */
public final class MixingBuffer implements Rule {

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        List<Track> armed = session.tracks().stream().filter(Track::armed).toList();
        Monitoring monitoring = session.monitored();
        if (monitoring.purpose() != Monitoring.Purpose.MIX || armed.isEmpty()) {
            return List.of();
        }
        return List.of(Finding.fixable(
                Keys.of("mixing-buffer", session.bufferFrames()),
                "Tracks are armed, and the buffer to mix is set, " + session.bufferFrames() + " frames.",
                "Everybody hears themselves late.",
                armed.stream().map(track -> PartKey.of(track.id())).toList(),
                "Set the buffer to record, " + monitoring.recordBuffer(),
                List.of(new SetPurpose(Monitoring.Purpose.RECORD))));
    }
}
