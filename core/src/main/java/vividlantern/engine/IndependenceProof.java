package vividlantern.engine;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import vividlantern.basics.Refused;
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
 */
public record IndependenceProof(
        boolean same,
        Optional<Double> differsAfterSeconds,
        int moved,
        double seconds,
        Optional<Double> peakDbfs,
        Optional<Double> rmsDbfs,
        List<TrackId> following) {

    private static final int SECONDS = 8;
    private static final long SEED = 20;

    /** What was rendered: both sides of a frame side by side. */
    private static final class Heard implements Rendering.Sink {
        private final float[] samples;
        private final BooleanSupplier goesOn;
        private int taken;

        private Heard(int frames, BooleanSupplier goesOn) {
            samples = new float[2 * frames];
            this.goesOn = goesOn;
        }

        @Override
        public void write(float[] left, float[] right, int offset, int frames) {
            if (!goesOn.getAsBoolean()) {
                throw new Refused("The comparison was broken off.", "");
            }
            for (int n = offset; n < offset + frames; n++) {
                samples[taken++] = left[n];
                samples[taken++] = right[n];
            }
        }
    }

    /**
     * @param rooms a fresh device for each rendering
     * @param goesOn asked again and again; it is broken off as soon as it does not
     * @throws Refused if the cue leaves nowhere, or it is broken off
     */
    public static IndependenceProof of(Session session, Rig rig, CueId id, Supplier<Room> rooms, BooleanSupplier goesOn)
            throws IOException {
        Cue cue = session.find(id).orElseThrow(() -> new Refused("There is no cue '" + id + "'.", "cue"));
        StereoPair pair = cue.output()
                .flatMap(rig::outputPair)
                .filter(rig::isDriven)
                .orElseThrow(() -> new Refused(cue.name() + " has no output pair, so nothing can be compared.", "cue"));
        float[] before = heard(session, rig, pair, rooms, goesOn);
        float[] after = heard(moved(session, rig), rig, pair, rooms, goesOn);
        Optional<Double> differs = Optional.empty();
        double peak = 0;
        double power = 0;
        for (int at = before.length - 1; at >= 0; at--) {
            if (Float.floatToRawIntBits(before[at]) != Float.floatToRawIntBits(after[at])) {
                differs = Optional.of(at / 2 / (double) session.sampleRate());
            }
            peak = Math.max(peak, Math.abs(before[at]));
            power += (double) before[at] * before[at] / before.length;
        }
        return new IndependenceProof(
                differs.isEmpty(),
                differs,
                session.tracks().size(),
                SECONDS,
                db(peak),
                db(Math.sqrt(power)),
                cue.sends().stream()
                        .filter(send -> send.isOn() && send.followsTheSpeakers())
                        .map(Send::trackId)
                        .toList());
    }

    private static Optional<Double> db(double factor) {
        return factor == 0 ? Optional.empty() : Optional.of(20 * Math.log10(factor));
    }

    private static float[] heard(
            Session session, Rig rig, StereoPair pair, Supplier<Room> rooms, BooleanSupplier goesOn)
            throws IOException {
        int frames = SECONDS * session.sampleRate();
        Heard heard = new Heard(frames, goesOn);
        Rendering.render(session, rig, pair, rooms.get(), Rendering.At.MIXER, 0, frames, heard);
        return heard.samples;
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
        return what
                + String.format(Locale.ROOT, "they differ from %.2f s on.", differsAfterSeconds.orElseThrow())
                + why;
    }

    private static String level(Optional<Double> dbfs) {
        return String.format(Locale.ROOT, "%.1f", dbfs.orElseThrow()).replace('-', '\u2212');
    }
}
