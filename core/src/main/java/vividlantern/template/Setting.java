package vividlantern.template;

import static vividlantern.session.chain.Chains.Place.HEARD;
import static vividlantern.session.chain.Chains.Place.PRINTED;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.session.Hear;
import vividlantern.session.Look;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.ChainEdit.SetChain;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.SetSendComfort;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.session.edit.TrackEdit.SetFader;
import vividlantern.session.edit.TrackEdit.SetHear;
import vividlantern.session.edit.TrackEdit.SetPan;
import vividlantern.session.edit.TrackEdit.SetPolarity;
import vividlantern.session.edit.TrackEdit.SetTrackColour;
import vividlantern.session.edit.TrackEdit.SetTrackFolder;
import vividlantern.session.edit.TrackEdit.SetTrackMark;
import vividlantern.session.edit.TrackEdit.SetTrim;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * How a track is set, copied to others or kept by name.
 *
 * @param holds which of it is copied
 * @param click whether it is of a click's track; it fits those only
 * @param sends what cues hear of it
 * @param printed its chain before the recording
 * @param heardOnly its chain for listeners
 */
public record Setting(
        SettingId id,
        String title,
        List<What> holds,
        boolean click,
        Decibels trim,
        Decibels fader,
        Pan pan,
        boolean polarityFlipped,
        Hear hear,
        Look look,
        List<CueSend> sends,
        Chain printed,
        Chain heardOnly) {

    public enum What {
        /** Trim, fader, pan. */
        LEVEL,
        POLARITY,
        SENDS,
        HEAR,
        /** Colour, mark and folder. */
        LOOK,
        /** Both chains; nothing is printed of a track that is not recorded. */
        CHAINS
    }

    /** A send to a cue, by the cue's name and the names of those who listen. */
    public record CueSend(
            String cue,
            List<String> listeners,
            Decibels level,
            Pan pan,
            boolean asMain,
            boolean muted,
            Tap tap,
            Decibels comfort) {}

    public Setting {
        title = Texts.name(title, "A setting", "title");
        holds = holds.stream().distinct().sorted().toList();
        sends = List.copyOf(sends);
        if (holds.isEmpty()) {
            throw new Refused("Choose what shall be copied.", "holds");
        }
    }

    /** How a track of a session is set now. */
    public static Setting of(SettingId id, String title, List<What> holds, Session session, TrackId of) {
        Track track = session.find(of)
                .orElseThrow(() -> new Refused("There is no track '" + of + "' in this session.", "track"));
        List<CueSend> sends = session.cues().stream()
                .flatMap(cue -> cue.send(of).stream()
                        .map(send -> new CueSend(
                                cue.name(),
                                SameCue.listeners(session, cue),
                                send.level(),
                                send.pan(),
                                send.panAsMain(),
                                send.muted(),
                                send.tap(),
                                send.comfort())))
                .toList();
        return new Setting(
                id,
                title,
                holds,
                track.isClick(),
                track.trim(),
                track.fader(),
                track.pan(),
                track.polarityFlipped(),
                track.hear(),
                track.look(),
                sends,
                session.chainsOf(of).printed(),
                session.chainsOf(of).heard());
    }

    /** The same under another id. */
    public Setting as(SettingId newId) {
        return new Setting(
                newId, title, holds, click, trim, fader, pan, polarityFlipped, hear, look, sends, printed, heardOnly);
    }

    /**
     * What tracks can be set like.
     *
     * @param kept of those that are kept, which fit one of them at least
     * @param tracks those of the session that do
     * @param left those among them that nothing can be given to
     */
    public record Offered(List<Setting> kept, List<TrackId> tracks, List<TrackId> left) {}

    /** What some tracks of a session can be set like, of all that is kept and there. */
    public static Offered offered(List<Setting> kept, Session session, List<TrackId> to) {
        List<Track> wanted =
                to.stream().flatMap(id -> session.find(id).stream()).toList();
        List<Track> from = session.tracks().stream()
                .filter(track -> wanted.stream().anyMatch(each -> !each.equals(track) && fits(track.isClick(), each)))
                .toList();
        return new Offered(
                kept.stream()
                        .filter(setting -> wanted.stream().anyMatch(setting::fits))
                        .toList(),
                from.stream().map(Track::id).toList(),
                wanted.stream().filter(Track::isBacking).map(Track::id).toList());
    }

    private static boolean fits(boolean ofAClick, Track track) {
        return ofAClick == track.isClick() && !track.isBacking();
    }

    /** Whether it can be given to a track. */
    public boolean fits(Track track) {
        return fits(click, track);
    }

    /** The edits that set tracks so; those it does not fit stay as they are. */
    public List<Edit> edits(Session session, List<TrackId> to) {
        List<Edit> edits = new ArrayList<>();
        to.stream()
                .flatMap(id -> session.find(id).stream())
                .filter(this::fits)
                .forEach(track -> holds.forEach(what -> add(what, session, track, edits)));
        return edits;
    }

    private void add(What what, Session session, Track track, List<Edit> edits) {
        TrackId id = track.id();
        switch (what) {
            case LEVEL -> {
                set(track.trim(), trim, id, SetTrim::new, edits);
                set(track.fader(), fader, id, SetFader::new, edits);
                set(track.pan(), pan, id, SetPan::new, edits);
            }
            case POLARITY -> set(track.polarityFlipped(), polarityFlipped, id, SetPolarity::new, edits);
            case HEAR -> {
                if (!track.gathers()) {
                    set(track.hear(), hear, id, SetHear::new, edits);
                }
            }
            case LOOK -> {
                set(track.look().colour(), look.colour(), id, SetTrackColour::new, edits);
                set(track.look().mark(), look.mark(), id, SetTrackMark::new, edits);
                set(track.look().folder(), look.folder(), id, SetTrackFolder::new, edits);
            }
            case CHAINS -> {
                Chains is = session.chainsOf(id);
                if (Chains.isPrintable(track)) {
                    set(is.printed(), printed, id, (each, chain) -> new SetChain(each, PRINTED, chain), edits);
                }
                set(is.heard(), heardOnly, id, (each, chain) -> new SetChain(each, HEARD, chain), edits);
            }
            case SENDS ->
                sends.forEach(send -> SameCue.in(session, send.cue(), send.listeners())
                        .flatMap(session::find)
                        .ifPresent(cue -> add(send, cue, id, edits)));
        }
    }

    private static <T> void set(T is, T wanted, TrackId track, BiFunction<TrackId, T, Edit> edit, List<Edit> edits) {
        if (!is.equals(wanted)) {
            edits.add(edit.apply(track, wanted));
        }
    }

    private static void add(CueSend wanted, Cue cue, TrackId track, List<Edit> edits) {
        Send is = cue.send(track).orElseGet(() -> Send.off(track));
        CueId id = cue.id();
        set(is.muted(), wanted.muted(), track, (each, muted) -> new MuteSend(id, each, muted), edits);
        set(is.tap(), wanted.tap(), track, (each, tap) -> new SetSendTap(id, each, tap), edits);
        set(is.pan(), wanted.pan(), track, (each, pan) -> new SetSendPan(id, each, pan), edits);
        set(is.panAsMain(), wanted.asMain(), track, (each, main) -> new SetSendPanAsMain(id, each, main), edits);
        set(is.comfort(), wanted.comfort(), track, (each, comfort) -> new SetSendComfort(id, each, comfort), edits);
        set(is.level(), wanted.level(), track, (each, level) -> new SetSendLevel(id, each, level), edits);
    }
}
