package vividlantern.server.demo;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import vividlantern.preamp.Turned;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.Options;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.session.SessionId;
import vividlantern.sim.LowWater;
import vividlantern.sim.Saltworks;

/** Fills an empty data folder, and gives the first session the rig, before anybody is answered. */
@Component
class Demo implements SmartInitializingSingleton {

    private final Store store;
    private final RigStore rigs;
    private final LiveRig live;
    private final Options options;

    Demo(Store store, RigStore rigs, LiveRig live, Options options) {
        this.store = store;
        this.rigs = rigs;
        this.live = live;
        this.options = options;
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (rigs.rigs().isEmpty()) {
            Rig rig = Saltworks.rig();
            rigs.add(rig);
            if (!options.empty()) {
                store.add(LowWater.session(new SessionId("low-water"), rig));
                Saltworks.fronts()
                        .forEach((port, front) ->
                                rigs.note(rig.id(), new Turned(new PortId(port), front.gainDb(), front.phantom())));
            }
        }
        store.sessions(0, 1).stream().findFirst().ifPresent(first -> live.takeIfItCan(new SessionId(first.id())));
    }
}
