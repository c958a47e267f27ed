package vividlantern.server.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import vividlantern.history.Ids;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.server.store.RigStore;
import vividlantern.server.store.TemplateStore;
import vividlantern.server.store.Unreadable;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.template.Beginning;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** The templates: kept from sessions, and sessions begun from them. */
@Component
public class TemplateDesk {

    /** A rig, and a template as it would begin there. */
    public record OnRig(Rig rig, Beginning beginning) {}

    private static final Logger LOG = LoggerFactory.getLogger(TemplateDesk.class);

    private final TemplateStore store;
    private final Desk desk;
    private final RigDesk rigs;
    private final Map<TemplateId, Template> read = new ConcurrentHashMap<>();

    public TemplateDesk(TemplateStore store, Desk desk, RigDesk rigs) {
        this.store = store;
        this.desk = desk;
        this.rigs = rigs;
    }

    /** All templates that can be read, the newest first. */
    public List<Template> templates() {
        return store.ids().stream().flatMap(id -> readable(id).stream()).toList();
    }

    private Optional<Template> readable(TemplateId id) {
        try {
            return Optional.of(template(id));
        } catch (Unreadable known) {
            return Optional.empty();
        }
    }

    public Template template(TemplateId id) {
        return read.computeIfAbsent(
                id,
                wanted -> store.template(wanted)
                        .orElseThrow(() -> new NotFound("There is no template '" + wanted + "'.")));
    }

    /** Keeps a session as a template. One at a time, so that two of one title get ids of their own. */
    public synchronized Template keep(SessionId session, Template.About about, boolean withoutNames) {
        Session kept = desk.session(session);
        List<TemplateId> taken = store.ids();
        TemplateId id = new TemplateId(Ids.fresh(about.title(), each -> taken.contains(new TemplateId(each))));
        Template template = Template.of(id, about, kept, desk.rigOf(session), withoutNames);
        store.add(template);
        return template;
    }

    public void remove(TemplateId id) {
        if (!store.remove(id)) {
            throw new NotFound("There is no template '" + id + "'.");
        }
        read.remove(id);
    }

    /** How a template would fit each rig that can be read, as a session that nobody has begun. */
    public List<OnRig> onEachRig(TemplateId id) {
        Template template = template(id);
        List<OnRig> fits = new ArrayList<>();
        for (RigStore.StoredRig stored : rigs.rigs()) {
            try {
                Rig rig = rigs.rig(new RigId(stored.id()));
                fits.add(new OnRig(rig, Beginning.of(template, new SessionId("none"), "", "", rig)));
            } catch (Unreadable known) {
                LOG.debug("The rig {} is left out.", stored.id(), known);
            }
        }
        return fits;
    }

    /** Begins a session from a template. */
    public Beginning begin(TemplateId id, String name, String song, RigId rig) {
        Beginning begun = Beginning.of(template(id), new SessionId("none"), name, song, rigs.rig(rig));
        return new Beginning(desk.takeIn(begun.session()), begun.fitted());
    }
}
