package vividlantern.server.demo;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import vividlantern.preamp.Turned;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.server.Options;
import vividlantern.server.desk.Desk;
import vividlantern.server.desk.TemplateDesk;
import vividlantern.server.live.LiveRig;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.Store;
import vividlantern.server.store.Unreadable;
import vividlantern.session.SessionId;
import vividlantern.sim.LowWater;
import vividlantern.sim.Saltworks;

/** Fills an empty data folder before anybody is answered, and gives the first session the rig after. */
@Component
class Demo implements SmartInitializingSingleton {

    private static final int MOST_TRIED = 50;

    private final Store store;
    private final RigStore rigs;
    private final Desk desk;
    private final LiveRig live;
    private final TemplateDesk templates;
    private final Options options;

    Demo(Store store, RigStore rigs, Desk desk, LiveRig live, TemplateDesk templates, Options options) {
        this.store = store;
        this.rigs = rigs;
        this.desk = desk;
        this.live = live;
        this.templates = templates;
        this.options = options;
    }

    @Override
    public void afterSingletonsInstantiated() {
        templates.putInShipped();
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
    }

    @EventListener(ApplicationReadyEvent.class)
    void takeTheRig() {
        store.sessions(0, MOST_TRIED).stream()
                .map(each -> new SessionId(each.id()))
                .filter(this::canBeRead)
                .findFirst()
                .ifPresent(live::takeSoon);
    }

    private boolean canBeRead(SessionId id) {
        try {
            desk.rigOf(id);
            return true;
        } catch (Unreadable known) {
            return false;
        }
    }
}
