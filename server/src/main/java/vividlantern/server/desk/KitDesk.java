package vividlantern.server.desk;

import java.util.List;
import org.springframework.stereotype.Component;
import vividlantern.rig.Rig;
import vividlantern.server.store.KeptStore;
import vividlantern.session.Session;
import vividlantern.session.SessionId;
import vividlantern.session.TrackId;
import vividlantern.template.Kit;
import vividlantern.template.KitId;
import vividlantern.template.KitPlacing;
import vividlantern.template.Setting;
import vividlantern.template.SettingId;
import vividlantern.template.Template;

/** The kits and settings: kept from tracks, and put into sessions. No session changes because one of them did. */
@Component
public class KitDesk {

    private final KeptShelf<Kit> kits;
    private final KeptShelf<Setting> settings;
    private final Desk desk;

    public KitDesk(KeptStore store, Desk desk) {
        kits = new KeptShelf<>(store, KeptStore.Kind.KIT, Kit.class, "kit");
        settings = new KeptShelf<>(store, KeptStore.Kind.SETTING, Setting.class, "setting");
        this.desk = desk;
    }

    public List<Kit> kits() {
        return kits.all();
    }

    public Kit kit(KitId id) {
        return kits.get(id.value());
    }

    /** Keeps tracks of a session as a kit. */
    public Kit keep(SessionId session, Template.About about, List<TrackId> tracks) {
        Session from = desk.session(session);
        Rig rig = desk.rigOf(session);
        return kits.keep(about.title(), id -> Kit.of(new KitId(id), about, from, rig, tracks));
    }

    /** Brings a kit up to date from tracks of a session, as its next version. */
    public Kit update(KitId id, SessionId session, List<TrackId> tracks) {
        Kit next = Kit.of(id, kit(id).about(), desk.session(session), desk.rigOf(session), tracks);
        return kits.update(id.value(), same -> next);
    }

    /** Takes in a kit from a document, under an id of its own. */
    public Kit takeIn(Kit from) {
        return kits.keep(from.about().title(), id -> from.as(new KitId(id)));
    }

    public void remove(KitId id) {
        kits.remove(id.value());
    }

    /** How a kit would go into a session. */
    public KitPlacing placing(KitId id, SessionId session, KitPlacing.Answers answers) {
        return KitPlacing.of(kit(id), desk.session(session), desk.rigOf(session), answers);
    }

    /** Puts a kit into a session, as one change. */
    public Session put(KitId id, SessionId session, String person, KitPlacing.Answers answers) {
        Kit kit = kit(id);
        Rig rig = desk.rigOf(session);
        return desk.become(
                session,
                person,
                now -> KitPlacing.of(kit, now, rig, answers).session(),
                "Kit " + kit.about().title() + " put in: " + kit.words());
    }

    public List<Setting> settings() {
        return settings.all();
    }

    public Setting setting(SettingId id) {
        return settings.get(id.value());
    }

    /** Keeps how a track is set. */
    public Setting keep(SessionId session, String title, List<Setting.What> holds, TrackId track) {
        Session from = desk.session(session);
        return settings.keep(title, id -> Setting.of(new SettingId(id), title, holds, from, track));
    }

    /** Takes in a setting from a document, under an id of its own. */
    public Setting takeIn(Setting from) {
        return settings.keep(from.title(), id -> from.as(new SettingId(id)));
    }

    public void remove(SettingId id) {
        settings.remove(id.value());
    }
}
