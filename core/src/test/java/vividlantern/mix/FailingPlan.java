package vividlantern.mix;

import java.util.List;
import vividlantern.FailingEffect;
import vividlantern.rig.Rig;
import vividlantern.session.Session;

/** A session's plan in which all effects of one type fail. */
public final class FailingPlan {

    private FailingPlan() {}

    public static MixPlan of(Session session, Rig rig, String type, long from) {
        MixPlan plan = MixPlan.compile(session, rig, LiveState.STOPPED);
        List<MixPlan.Bus> buses = plan.buses().stream()
                .map(bus -> bus.with(
                        bus.edges(),
                        bus.chain().stream()
                                .map(insert -> insert.key().contains(" " + type + " ")
                                        ? new MixPlan.Insert(insert.key(), new FailingEffect.Settings(from))
                                        : insert)
                                .toList()))
                .toList();
        return new MixPlan(session.sampleRate(), plan.inputs(), plan.outputs(), List.of(), buses);
    }
}
