package vividlantern.engine;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import vividlantern.basics.Progress;
import vividlantern.rig.Rig;
import vividlantern.rig.StereoPair;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.CueId;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.SessionEdit.SetMainLevel;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * Whether anything that the control room does reaches a cue. What leaves to its headphones is rendered from the song's begin,
 * then once more with every fader, pan, mute and solo and the level of the main mix moved at random, and both are compared bit for
 * bit.
 *
 * @param same whether no sample differs
 * @param differsAfterSeconds when the first one does
 * @param moved how many tracks were moved
 * @param seconds how long what was compared is
 * @param peakDbfs its highest sample; none if it is silent
 * @param rmsDbfs its mean power, both sides together; a sine of full scale at both has -3.01
 * @param following tracks whose sends follow the speakers, on purpose
 * @param linked whether the cue's level is linked to the main level, on purpose
 */
public record IndependenceProof(
        boolean same,
        Optional<Double> differsAfterSeconds,
        int moved,
        double seconds,
        Optional<Double> peakDbfs,
        Optional<Double> rmsDbfs,
        List<TrackId> following,
        boolean linked) {

    private static final long SEED = 20;

    /**
     * @param rooms a fresh device for each rendering
     * @param progress how far it has come
     * @throws vividlantern.basics.Refused if the cue leaves nowhere, or it was cancelled
     */
    public static IndependenceProof of(Session session, Rig rig, CueId id, Supplier<Room> rooms, Progress progress)
            throws IOException {
        Cue cue = HeardMix.cue(session, id);
        StereoPair pair = HeardMix.pairOf(cue, rig);
        HeardMix before = HeardMix.of(session, rig, pair, rooms.get(), share -> progress.at(share / 2));
        HeardMix after =
                HeardMix.of(moved(session, rig), rig, pair, rooms.get(), share -> progress.at((1 + share) / 2));
        Optional<Double> differs = before.differsFrom(after);
        return new IndependenceProof(
                differs.isEmpty(),
                differs,
                session.tracks().size(),
                HeardMix.SECONDS,
                before.peakDbfs(),
                before.rmsDbfs(),
                cue.sends().stream()
                        .filter(send -> send.isOn() && session.followsTheSpeakers(send))
                        .map(Send::trackId)
                        .toList(),
                cue.linkedToMain());
    }

    /** The session with everything moved that is the main mix's own. */
    private static Session moved(Session session, Rig rig) {
        Random random = new Random(SEED);
        Session moved = new SetMainLevel(Decibels.of(-20)).applyTo(session, rig);
        for (Track track : session.tracks()) {
            moved = moved.change(
                    track.id(),
                    each -> each.faded(Decibels.of(-60 + random.nextInt(72)))
                            .panned(Pan.of(random.nextInt(201) / 100.0 - 1))
                            .muted(random.nextBoolean())
                            .soloed(random.nextBoolean())
                            .soloSafe(random.nextBoolean()));
        }
        return moved;
    }

    /** What came out, in a sentence. */
    public String words(Session session) {
        String what = String.format(
                Locale.ROOT,
                "Rendered twice for %.0f s, the second time with faders, pans, mutes and solos of all %d tracks moved: ",
                seconds,
                moved);
        if (same) {
            return peakDbfs.isEmpty()
                    ? what + "silence both times, which proves nothing. Raise something in this mix first."
                    : what + "the same bit for bit. Peak " + level(peakDbfs) + " dBFS, RMS " + level(rmsDbfs)
                            + " dBFS.";
        }
        String why = following.isEmpty()
                ? ""
                : " These follow the speakers: "
                        + following.stream()
                                .map(id -> session.find(id).map(Track::name).orElse(id.value()))
                                .collect(Collectors.joining(", "))
                        + ".";
        if (linked) {
            why += " The level is linked to the main level.";
        }
        return what
                + String.format(Locale.ROOT, "they differ from %.2f s on.", differsAfterSeconds.orElseThrow())
                + why;
    }

    private static String level(Optional<Double> dbfs) {
        return String.format(Locale.ROOT, "%.1f", dbfs.orElseThrow()).replace('-', '\u2212');
    }
}
