package vividlantern.click;

import java.util.Arrays;
import java.util.List;
import vividlantern.session.Session;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.SongParts;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * The samples of one click voice at any place of the song. They are a pure function of the song's frame: each stroke
 * begins at exactly the frame its beat falls on, and the next one that sounds ends it. Filling allocates nothing.
 */
public final class ClickVoice {

    private static final float[] SILENCE = {};

    private final TempoCurve curve;
    private final int sampleRate;
    private final int stepsPerBeat;
    private final ClickPattern click;
    private final SongParts parts;
    private final long ends;
    /** What each step of a bar is: where no part is, then in each part; for each of the time signatures. */
    private final ClickPattern.Stroke[][][] strokes;

    private final float[] stroke;
    private final float[] accent;

    private int bar;
    private int step;
    private long begins;
    private long next;
    /** What was struck last, and when. */
    private float[] struck = SILENCE;

    private long struckAt;
    /** The frame up to which it was filled in this passage, where it goes on without looking for its place again. */
    private long filledTo = Long.MIN_VALUE;

    /** What is played now, and the frame from which on it is silent there. */
    private Passage passage;

    private long silentFrom;

    /** Where the bar begins that it goes over and over while the song stands, and its frames; 0 if it does not. */
    private long roundFrom;

    private long roundFrames;

    /** @param own where the sounds of voices are that bring one */
    public ClickVoice(
            ClickPattern click,
            ClickPattern.Voice voice,
            TempoCurve curve,
            SongParts parts,
            int sampleRate,
            OwnSounds own) {
        this.click = click;
        this.curve = curve;
        this.parts = parts;
        this.sampleRate = sampleRate;
        stepsPerBeat = voice.stepsPerBeat();
        ends = curve.frame(curve.ends(), sampleRate);
        strokes = new ClickPattern.Stroke[parts.count() + 1][curve.meters().size()][];
        for (int meter = 0; meter < curve.meters().size(); meter++) {
            strokes[0][meter] = array(voice.strokes(curve.meters().get(meter)));
            for (int part = 0; part < parts.count(); part++) {
                strokes[part + 1][meter] =
                        in(parts.marker(part).id(), curve.meters().get(meter), voice);
            }
        }
        stroke = ClickSound.stroke(voice, false, sampleRate, own);
        accent = voice.accent().isOff() ? stroke : ClickSound.stroke(voice, true, sampleRate, own);
    }

    private ClickPattern.Stroke[] in(MarkerId part, TempoMap.Meter meter, ClickPattern.Voice voice) {
        ClickPattern.Stroke[] here = array(voice.strokes(meter, part));
        if (click.silentIn().contains(part)) {
            Arrays.fill(here, ClickPattern.Stroke.SILENT);
        }
        return here;
    }

    private static ClickPattern.Stroke[] array(List<ClickPattern.Stroke> strokes) {
        return strokes.toArray(ClickPattern.Stroke[]::new);
    }

    /** The voices of a session's click, silent if none shall sound with its tracks as they are. */
    public static List<ClickVoice> of(Session session, OwnSounds own) {
        List<ClickVoice> voices = of(session, session.click().voices(), own);
        if (!session.clicks()) {
            voices.forEach(ClickVoice::silence);
        }
        return voices;
    }

    private void silence() {
        for (ClickPattern.Stroke[][] meters : strokes) {
            for (ClickPattern.Stroke[] steps : meters) {
                Arrays.fill(steps, ClickPattern.Stroke.SILENT);
            }
        }
    }

    static List<ClickVoice> of(Session session, List<ClickPattern.Voice> voices, OwnSounds own) {
        TempoCurve curve = session.tempoMap().curve();
        SongParts parts = new SongParts(session.markers());
        return voices.stream()
                .map(voice -> new ClickVoice(session.click(), voice, curve, parts, session.sampleRate(), own))
                .toList();
    }

    /**
     * Writes the song's frames from {@code songFrame} on, while a passage of it is played. Where the song stands they are counted on
     * from there.
     */
    public void fill(long songFrame, float[] out, int offset, int frames, Passage played) {
        if (played != passage) {
            begin(played);
        }
        int done = 0;
        while (done < frames) {
            long at = songFrame + done;
            int span = frames - done;
            if (roundFrames > 0) {
                long within = Math.floorMod(at - roundFrom, roundFrames);
                at = roundFrom + within;
                span = (int) Math.min(span, roundFrames - within);
            }
            write(at, out, offset + done, span);
            done += span;
        }
    }

    private void begin(Passage played) {
        passage = played;
        filledTo = Long.MIN_VALUE;
        silentFrom = Math.min(ends, Math.min(played.until(), lastOf(played)));
        roundFrames = 0;
        if (click.whileStopped() && played.stands()) {
            int standsIn = curve.barAt(curve.quarter((played.until() + 0.5) / sampleRate));
            roundFrom = curve.frame(curve.quarterOf(standsIn, 0), sampleRate);
            roundFrames = curve.frame(curve.quarterOf(standsIn + 1, 0), sampleRate) - roundFrom;
        }
    }

    private void write(long songFrame, float[] out, int offset, int frames) {
        if (songFrame != filledTo) {
            seek(songFrame);
        }
        int done = 0;
        while (done < frames) {
            long at = songFrame + done;
            if (at >= next) {
                forward();
            } else {
                int span = (int) Math.min(frames - done, next - at);
                write(struck, at - struckAt, out, offset + done, span);
                done += span;
            }
        }
        filledTo = songFrame + frames;
    }

    private static void write(float[] stroke, long since, float[] out, int offset, int frames) {
        int sounding = (int) Math.max(0, Math.min(frames, stroke.length - since));
        if (sounding > 0) {
            System.arraycopy(stroke, (int) since, out, offset, sounding);
        }
        Arrays.fill(out, offset + sounding, offset + frames, 0);
    }

    /** The frame from which on the click is silent though the song is played. */
    private long lastOf(Passage played) {
        if (click.countInOnly()) {
            return played.from();
        }
        if (click.stopsAfterBars() == 0 || played.from() == Long.MIN_VALUE) {
            return Long.MAX_VALUE;
        }
        int first = Math.max(1, curve.barAt(curve.quarter((played.from() + 0.5) / sampleRate)));
        return curve.frame(curve.quarterOf(first + click.stopsAfterBars(), 0), sampleRate);
    }

    private boolean isHeard() {
        boolean inTime = roundFrames > 0 || begins >= passage.countedFrom() && begins < silentFrom;
        return inTime && here() != ClickPattern.Stroke.SILENT;
    }

    private boolean isAccented() {
        return here() == ClickPattern.Stroke.ACCENTED;
    }

    /** What the step is on which it stands. A count-in is as where no part is. */
    private ClickPattern.Stroke here() {
        int part = roundFrames == 0 && begins < passage.from() ? SongParts.NONE : parts.at(bar);
        return strokes[part + 1][curve.meterAtBar(bar)][step];
    }

    private void strike() {
        if (isHeard()) {
            struck = isAccented() ? accent : stroke;
            struckAt = begins;
        }
    }

    /** Stands on the last step that begins at or before a frame, and hears what was struck last before it. */
    private void seek(long songFrame) {
        double quarter = curve.quarter((double) songFrame / sampleRate);
        bar = curve.barAt(quarter);
        step = (int) Math.min(curve.beatsIn(bar) * stepsPerBeat - 1.0, curve.beatAt(quarter) * stepsPerBeat);
        while (frameOfStep() > songFrame) {
            back();
        }
        begins = frameOfStep();
        next = frameAfterStep();
        while (next <= songFrame) {
            forward();
        }
        findStruck(songFrame);
    }

    private void findStruck(long songFrame) {
        int standsOnBar = bar;
        int standsOnStep = step;
        long standsAt = begins;
        struck = SILENCE;
        struckAt = begins;
        strike();
        while (struck == SILENCE && songFrame - begins < Math.max(stroke.length, accent.length)) {
            back();
            begins = frameOfStep();
            strike();
        }
        bar = standsOnBar;
        step = standsOnStep;
        begins = standsAt;
    }

    private long frameOfStep() {
        return curve.frame(curve.quarterOf(bar, (double) step / stepsPerBeat), sampleRate);
    }

    private long frameAfterStep() {
        boolean lastOfBar = step + 1 == curve.beatsIn(bar) * stepsPerBeat;
        double quarter = lastOfBar ? curve.quarterOf(bar + 1, 0) : curve.quarterOf(bar, (step + 1.0) / stepsPerBeat);
        return curve.frame(quarter, sampleRate);
    }

    private void forward() {
        step++;
        if (step == curve.beatsIn(bar) * stepsPerBeat) {
            step = 0;
            bar++;
        }
        begins = next;
        next = frameAfterStep();
        strike();
    }

    private void back() {
        step--;
        if (step < 0) {
            bar--;
            step = curve.beatsIn(bar) * stepsPerBeat - 1;
        }
    }
}
