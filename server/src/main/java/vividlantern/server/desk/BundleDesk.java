package vividlantern.server.desk;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;
import vividlantern.format.Bundle;
import vividlantern.rig.Rig;
import vividlantern.rig.RigId;
import vividlantern.rig.RigParts;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.Settings;
import vividlantern.session.song.Backing;
import vividlantern.template.Beginning;
import vividlantern.template.Template;
import vividlantern.template.TemplateId;

/** Sessions that come in a bundle: on a rig that is here, with their own as a new one, or fitted to another. */
@Component
public class BundleDesk {

    private static final TemplateId BUNDLE = new TemplateId("bundle");
    private static final Template.About ABOUT = new Template.About("Bundle", "", List.of(), Template.Picture.LANTERN);

    private final Desk desk;
    private final RigDesk rigs;

    public BundleDesk(Desk desk, RigDesk rigs) {
        this.desk = desk;
        this.rigs = rigs;
    }

    /** The rig that is here and the same as the bundle's; its own changes of it apart it may be at another revision. */
    public Optional<RigId> sameRig(Bundle bundle) {
        return rigs.readable().stream()
                .filter(rig -> RigParts.OF_RIG.changed(rig, bundle.rig()).isEmpty())
                .map(Rig::id)
                .findFirst();
    }

    /** How it would fit each rig that is here. */
    public List<TemplateDesk.FitOfRig> fits(Bundle bundle) {
        return rigs.readable().stream()
                .map(rig -> TemplateDesk.FitOfRig.of(rig, fitted(bundle, rig)))
                .toList();
    }

    private static Beginning fitted(Bundle bundle, Rig rig) {
        Session session = bundle.session();
        Template all = Template.of(BUNDLE, ABOUT, session, bundle.rig(), false, Optional.empty());
        return Beginning.of(all, new SessionId("none"), session.name(), session.song(), rig);
    }

    /** Takes a session in with its rig, as a new one. */
    public Session takeInWithRig(Bundle bundle) {
        Rig made = rigs.create(
                bundle.rig().name(), empty -> RigParts.assemble(empty.id(), 0, RigParts.OF_RIG.parts(bundle.rig())));
        try {
            return takeInOn(bundle, made.id());
        } catch (RuntimeException refused) {
            rigs.forget(made.id());
            throw refused;
        }
    }

    /** Takes a session in on a rig that is the same as its own. */
    public Session takeInOn(Bundle bundle, RigId rig) {
        Session session = bundle.session();
        Settings was = session.settings();
        return desk.takeIn(session.with(new Settings(
                was.name(), was.song(), was.sampleRate(), was.bitDepth(), was.bufferFrames(), rig, was.main())));
    }

    /** A bundle brings its sounds along, which a template does not. */
    private static Session playing(List<Backing> backing, Session begun) {
        return begun.withBacking(backing.stream()
                .filter(each -> begun.find(each.track()).isPresent())
                .toList());
    }

    /** Takes a session in fitted to another rig; where things went is its first change. */
    public Session takeInFitted(Bundle bundle, RigId on, String person) {
        Beginning begun = fitted(bundle, rigs.rig(on));
        Session made = desk.takeIn(playing(bundle.session().backing(), begun.unplugged()));
        return begun.fitted().edits().isEmpty()
                ? made
                : desk.change(made.id(), person, "", begun.fitted().edits(), OptionalLong.empty());
    }
}
