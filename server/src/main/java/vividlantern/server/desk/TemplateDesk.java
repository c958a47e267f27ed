package vividlantern.server.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.server.store.KeptStore;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.template.Beginning;
import vividlantern.template.Comparison;
import vividlantern.template.ShippedTemplates;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** The templates: kept from sessions, brought up to date, and sessions begun from them. */
@Component
public class TemplateDesk {

    /** A rig, and a template as it would begin there. */
    public record OnRig(Rig rig, Beginning beginning) {}

    /**
     * How a template fits a rig, in one line.
     *
     * @param all whether everything finds a place there
     */
    public record FitOfRig(RigId rig, String name, boolean all, String words) {

        public static FitOfRig of(Rig rig, Beginning beginning) {
            return new FitOfRig(rig.id(), rig.name(), beginning.fitted().isWhole(), beginning.inOneLine());
        }
    }

    private static final SessionId NOBODY = new SessionId("none");

    private record Both(TemplateId template, RigId rig) {}

    private record Known(Template template, Rig rig, FitOfRig fit) {}

    private final Map<Both, Known> fits = new ConcurrentHashMap<>();
    private final KeptStore store;
    private final KeptShelf<Template> shelf;
    private final Desk desk;
    private final RigDesk rigs;

    public TemplateDesk(KeptStore store, Desk desk, RigDesk rigs) {
        this.store = store;
        shelf = new KeptShelf<>(store, KeptStore.Kind.TEMPLATE, Template.class, "template");
        this.desk = desk;
        this.rigs = rigs;
    }

    /** Puts in the templates that ship, each once: one that somebody removed stays away. */
    public void putInShipped() {
        List<String> there = store.ids(KeptStore.Kind.SHIPPED);
        List<String> taken = store.ids(KeptStore.Kind.TEMPLATE);
        for (Template template : ShippedTemplates.all()) {
            String id = template.id().value();
            if (!there.contains(id)) {
                if (!taken.contains(id)) {
                    store.add(KeptStore.Kind.TEMPLATE, id, template);
                }
                store.add(KeptStore.Kind.SHIPPED, id, id);
            }
        }
    }

    /** All templates that can be read, what was kept last first; at the end the one that is made from a rig. */
    public List<Template> templates() {
        return Stream.concat(shelf.all().stream(), anyRig().map(ShippedTemplates::everyInput).stream())
                .toList();
    }

    private Optional<Rig> anyRig() {
        return rigs.readable().stream().findFirst();
    }

    public Template template(TemplateId id) {
        if (id.equals(ShippedTemplates.EVERY_INPUT)) {
            return anyRig().map(ShippedTemplates::everyInput).orElseThrow(() -> new NotFound("There is no rig yet."));
        }
        return shelf.get(id.value());
    }

    private Template template(TemplateId id, Rig rig) {
        return id.equals(ShippedTemplates.EVERY_INPUT) ? ShippedTemplates.everyInput(rig) : shelf.get(id.value());
    }

    /** Keeps a session as a template. */
    public Template keep(
            SessionId session, Template.About about, boolean withoutNames, Optional<Template.PageState> page) {
        Session kept = desk.session(session);
        Rig rig = desk.rigOf(session);
        return shelf.keep(about.title(), id -> Template.of(new TemplateId(id), about, kept, rig, withoutNames, page));
    }

    /** What the next version of a template would be, with the names that it left out still left out. */
    private Template next(TemplateId id, SessionId session, boolean withoutNames, Optional<Template.PageState> page) {
        Template was = shelf.get(id.value());
        return Template.of(
                id, was.about(), desk.session(session), desk.rigOf(session), withoutNames, page.or(was::page));
    }

    /** What would change if a template were brought up to date from a session: the template first, the session second. */
    public List<Comparison.Compared> wouldChange(TemplateId id, SessionId session, boolean withoutNames) {
        Template next = next(id, session, withoutNames, Optional.empty());
        return Comparison.of(shelf.get(id.value()).session(), next.session(), desk.rigOf(session));
    }

    /** Brings a template up to date from a session, as its next version. */
    public Template update(TemplateId id, SessionId session, boolean withoutNames, Optional<Template.PageState> page) {
        Template next = next(id, session, withoutNames, page);
        return shelf.update(id.value(), same -> next);
    }

    /** The versions of a template, the newest first. */
    public List<KeptStore.KeptVersion> versions(TemplateId id) {
        return shelf.versions(id.value());
    }

    /** How a version of a template differs from the newest one. */
    public List<Comparison.Compared> differences(TemplateId id, long version) {
        Template newest = shelf.get(id.value());
        Rig rig = rigs.readable().stream()
                .filter(each -> each.id().equals(newest.session().rigId()))
                .findFirst()
                .orElseGet(() -> Rig.empty(newest.session().rigId(), "none"));
        return Comparison.of(shelf.version(id.value(), version).session(), newest.session(), rig);
    }

    /** Makes an earlier version the newest one again. */
    public Template restore(TemplateId id, long version) {
        Template earlier = shelf.version(id.value(), version);
        return shelf.update(id.value(), same -> earlier);
    }

    /** Takes in a template from a document, under an id of its own. */
    public Template takeIn(Template from) {
        return shelf.keep(from.about().title(), id -> from.as(new TemplateId(id)));
    }

    /** Keeps a copy of a template under another name. */
    public Template duplicate(TemplateId id) {
        Template from = template(id);
        String title = Texts.ofCopy(from.about().title());
        return shelf.keep(title, fresh -> from.as(new TemplateId(fresh)).called(title));
    }

    /** Gives a template another name, as its next version. */
    public Template rename(TemplateId id, String title) {
        requireRemovable(id);
        Template was = shelf.get(id.value());
        return shelf.update(id.value(), same -> was.called(title));
    }

    void requireRemovable(TemplateId id) {
        if (id.equals(ShippedTemplates.EVERY_INPUT)) {
            throw new Refused("This template is made from the rig; it cannot be removed or renamed.", "");
        }
        shelf.get(id.value());
    }

    void letGo(TemplateId id) {
        shelf.forget(id.value());
        fits.keySet().removeIf(each -> each.template().equals(id));
    }

    /** How a template would fit each rig that can be read. */
    public List<FitOfRig> onEachRig(TemplateId id) {
        List<Rig> all = rigs.readable();
        Set<RigId> there = all.stream().map(Rig::id).collect(Collectors.toSet());
        fits.keySet().removeIf(each -> !there.contains(each.rig()));
        return all.stream().map(rig -> known(id, rig)).toList();
    }

    /** Fitting takes a while on large rigs, so what was found is kept until the template or the rig is another. */
    private FitOfRig known(TemplateId id, Rig rig) {
        Known known = fits.get(new Both(id, rig.id()));
        boolean madeFromTheRig = id.equals(ShippedTemplates.EVERY_INPUT);
        if (known == null || known.rig() != rig || !madeFromTheRig && known.template() != shelf.get(id.value())) {
            Template template = template(id, rig);
            Beginning beginning = Beginning.of(template, NOBODY, "", "", rig);
            known = new Known(template, rig, FitOfRig.of(rig, beginning));
            fits.put(new Both(id, rig.id()), known);
        }
        return known.fit();
    }

    /** How a template would begin on a rig, some places chosen. */
    public OnRig onRig(TemplateId id, RigId on, Beginning.Chosen chosen) {
        Rig rig = rigs.rig(on);
        return new OnRig(rig, Beginning.of(template(id, rig), NOBODY, "", "", rig, chosen));
    }

    /**
     * Begins a session from a template. Where things went that could not stay is its first change, which can be undone.
     *
     * @param after the session whose production it goes on with, as the next song
     */
    public Beginning begin(
            TemplateId id,
            String name,
            String song,
            RigId on,
            Beginning.Chosen chosen,
            Optional<SessionId> after,
            String person) {
        Rig rig = rigs.rig(on);
        Beginning begun = Beginning.of(template(id, rig), NOBODY, name, song, rig, chosen);
        Session made =
                after.map(last -> desk.takeIn(begun.unplugged(), last)).orElseGet(() -> desk.takeIn(begun.unplugged()));
        Session placed = begun.fitted().edits().isEmpty()
                ? made
                : desk.change(made.id(), person, "", begun.fitted().edits(), OptionalLong.empty());
        return new Beginning(made, placed, begun.fitted());
    }
}
