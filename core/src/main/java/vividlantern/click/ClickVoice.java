package vividlantern.click;

import java.util.Arrays;
import vividlantern.session.ClickPattern;
import vividlantern.session.TempoCurve;

/**
 * The samples of one click voice at any place of the song. They are a pure function of the song's frame: each stroke
 * begins at exactly the frame its beat falls on, and the next one ends it. Filling allocates nothing.
 */
public final class ClickVoice {

    private static final float[] SILENCE = {};

    private final TempoCurve curve;
    private final int sampleRate;
    private final int stepsPerBeat;
    /** What each step of a bar is, for each of the time signatures. */
    private final ClickPattern.Stroke[][] strokes;

    private final float[] stroke;
    private final float[] accent;

    private int bar;
    private int step;
    private long begins;
    private long next;
    /** The frame up to which it was filled, where it goes on without looking for its place again. */
    private long filledTo = Long.MIN_VALUE;

    public ClickVoice(ClickPattern.Voice voice, TempoCurve curve, int sampleRate) {
        this.curve = curve;
        this.sampleRate = sampleRate;
        stepsPerBeat = voice.stepsPerBeat();
        strokes = curve.meters().stream()
                .map(meter -> voice.strokes(meter).toArray(ClickPattern.Stroke[]::new))
                .toArray(ClickPattern.Stroke[][]::new);
        stroke = ClickSound.stroke(voice, false, sampleRate);
        accent = voice.accent().isOff() ? stroke : ClickSound.stroke(voice, true, sampleRate);
    }

    /**
     * Writes the song's frames from {@code songFrame} on.
     *
     * @param firstFrame strokes that begin before it are left out: the song was not there yet
     * @param lastFrame strokes that would begin at or after it are left out: the song has stopped there
     */
    public void fill(long songFrame, float[] out, int offset, int frames, long firstFrame, long lastFrame) {
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
                boolean heard = begins >= firstFrame && begins < lastFrame && sounds();
                write(heard ? isAccented() ? accent : stroke : SILENCE, at - begins, out, offset + done, span);
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

    /** The first frame at or after a given one at which a stroke begins. */
    public long nextStroke(long songFrame) {
        seek(songFrame);
        filledTo = Long.MIN_VALUE;
        while (begins < songFrame || !sounds()) {
            forward();
        }
        return begins;
    }

    private boolean sounds() {
        return here() != ClickPattern.Stroke.SILENT;
    }

    private boolean isAccented() {
        return here() == ClickPattern.Stroke.ACCENTED;
    }

    private ClickPattern.Stroke here() {
        return strokes[curve.meterAtBar(bar)][step];
    }

    /** Stands on the last step that begins at or before a frame. */
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
    }

    private void back() {
        step--;
        if (step < 0) {
            bar--;
            step = curve.beatsIn(bar) * stepsPerBeat - 1;
        }
    }
}
