package vividlantern.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Sums;
import vividlantern.session.Track;
import vividlantern.session.TrackWay;
import vividlantern.session.chain.Chain;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.cue.Tap;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.SendEdit.MuteSend;
import vividlantern.session.edit.SendEdit.SetSendLevel;
import vividlantern.session.edit.SendEdit.SetSendPan;
import vividlantern.session.edit.SendEdit.SetSendPanAsMain;
import vividlantern.session.edit.SendEdit.SetSendTap;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * Makes of the main mix, as it is now, the sends of a cue: what is wished of levels, pans and mutes. From then on the cue goes its own
 * way. With all three, the cue is the main mix: their difference is below -120 dBFS, before guards and filters. What goes through sums
 * goes to the cue track by track, at the level at which it leaves the last of them.
 *
 * @param edits what makes it so
 * @param limited which sends would have to be louder than sends can be, and what of sums no send can say, in sentences; "" if nothing
 */
public record StartFromMain(List<Edit> edits, String limited) {

    /**
     * What of the main mix is taken.
     *
     * @param levels faders with the main level; the sends are tapped pre-fader then
     * @param mutes what mute and solo keep from the speakers is muted in the cue
     */
    public record Taken(boolean levels, boolean pans, boolean mutes) {}

    public static StartFromMain of(Session session, Rig rig, LiveState live, CueId id, Taken taken) {
        Cue cue =
                session.find(id).orElseThrow(() -> new Refused("There is no cue '" + id + "' in this session.", "cue"));
        TrackGains gains = new TrackGains(session, rig, live);
        List<Edit> edits = new ArrayList<>();
        List<String> limited = new ArrayList<>();
        for (Track track : session.tracks()) {
            if (track.isSum()) {
                cue.send(track.id())
                        .filter(send -> taken.levels() && !send.level().isOff())
                        .ifPresent(send -> edits.add(new SetSendLevel(id, track.id(), Decibels.OFF)));
                continue;
            }
            Send send = cue.send(track.id()).orElse(Send.off(track.id()));
            if (taken.levels()) {
                Decibels level = level(session, cue, track, limited);
                if (!level.equals(send.level()) || cue.send(track.id()).isEmpty()) {
                    edits.add(new SetSendLevel(id, track.id(), level));
                }
                if (send.tap() != Tap.PRE_FADER) {
                    edits.add(new SetSendTap(id, track.id(), Tap.PRE_FADER));
                }
            }
            boolean inCue = taken.levels() || cue.send(track.id()).isPresent();
            if (taken.pans() && inCue && (send.panAsMain() || !send.pan().equals(track.pan()))) {
                if (send.panAsMain()) {
                    edits.add(new SetSendPanAsMain(id, track.id(), false));
                }
                edits.add(new SetSendPan(id, track.id(), track.pan()));
            }
            boolean muted = gains.isMutedOrNotSoloed(track);
            if (taken.mutes() && inCue && muted != send.muted()) {
                edits.add(new MuteSend(id, track.id(), muted));
            }
        }
        List<String> said = new ArrayList<>();
        if (!limited.isEmpty()) {
            said.add("A send ends at " + Decibels.of(Decibels.FADER_MAX) + ": " + String.join(", ", limited)
                    + " would be louder. Lower the main level or raise the cue's, then start again.");
        }
        String unsaid = session.tracks().stream()
                .filter(track -> track.isSum()
                        && Sums.into(session, track.id()).findAny().isPresent())
                .filter(sum -> Sums.reachesMain(session, sum.id()))
                .flatMap(sum -> unsaid(session, sum))
                .collect(Collectors.joining(", "));
        if (taken.levels() && !unsaid.isEmpty()) {
            said.add("The cue hears the tracks without " + unsaid + ".");
        }
        String past = session.tracks().stream()
                .filter(Track::isReturn)
                .flatMap(each -> pastSolo(session, gains, each).map(track -> track.name() + " in " + each.name()))
                .distinct()
                .collect(Collectors.joining(", "));
        if (taken.levels() && !past.isEmpty()) {
            said.add("Solo reaches no cue: it hears " + past + " as well.");
        }
        return new StartFromMain(edits, String.join(" ", said));
    }

    /** The tracks that solo keeps out of a return on the speakers, by themselves or by what they go to, and not in cues. */
    private static Stream<Track> pastSolo(Session session, TrackGains gains, Track gathering) {
        return Sums.into(session, gathering.id()).flatMap(track -> {
            Optional<TrackWay.Into> send = session.wayOf(track.id()).into(gathering.id());
            double inCues =
                    send.map(each -> gains.gainInto(track, each, false)).orElseGet(() -> gains.gainIntoCues(track));
            double onSpeakers =
                    send.map(each -> gains.gainInto(track, each, true)).orElseGet(() -> gains.mainGain(track));
            if (inCues != onSpeakers) {
                return Stream.of(track);
            }
            return inCues == 0 ? Stream.empty() : pastSolo(session, gains, track);
        });
    }

    /** What a sum does to its tracks that sends of them cannot do. */
    private static Stream<String> unsaid(Session session, Track sum) {
        Chain chain = session.chainsOf(sum.id()).heard();
        Stream<String> effects = chain.effects().stream()
                .filter(chain::works)
                .map(each -> "the " + each.type().word() + " of " + sum.name());
        Stream<String> pan = sum.pan().equals(Pan.CENTRE) ? Stream.empty() : Stream.of("the balance of " + sum.name());
        Stream<String> polarity =
                sum.polarityFlipped() ? Stream.of("the turned polarity of " + sum.name()) : Stream.empty();
        return Stream.of(effects, pan, polarity).flatMap(each -> each);
    }

    /** The fader, those of the sums on its way with their trims, and the main level, less what the cue level adds. */
    private static Decibels level(Session session, Cue cue, Track track, List<String> limited) {
        Decibels main = session.main().level();
        if (track.fader().isOff() || main.isOff() || !Sums.reachesMain(session, track.id())) {
            return Decibels.OFF;
        }
        double sums = 0;
        for (Track sum : Sums.after(session, track.id())) {
            if (sum.fader().isOff() || sum.trim().isOff()) {
                return Decibels.OFF;
            }
            sums += sum.trim().value() + sum.fader().value();
        }
        double forAll = (cue.level().isOff() ? 0 : cue.level().value()) + (cue.linkedToMain() ? main.value() : 0);
        double level = track.fader().value() + sums + main.value() - forAll;
        if (level > Decibels.FADER_MAX) {
            limited.add(track.name());
        }
        return level < Decibels.FADER_MIN
                ? Decibels.OFF
                : Decibels.of(Math.min(level, Decibels.FADER_MAX)).toFaderStep();
    }
}
