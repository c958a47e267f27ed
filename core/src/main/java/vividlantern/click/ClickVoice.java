package vividlantern.click;

import vividlantern.session.ClickPattern;
import vividlantern.session.TempoCurve;

/**
 * The samples of one click voice at any place of the song. They are a pure function of the song's frame: each stroke
 * begins at exactly the frame its beat falls on, and the next one ends it. Filling allocates nothing.
 */
public final class ClickVoice {

    private final TempoCurve curve;
    private final int sampleRate;
    private final int stepsPerBeat;
    private final boolean betweenBeats;
    private final float[] stroke;
    private final float[] accent;

    private int bar;
    private int step;

    public ClickVoice(ClickPattern.Voice voice, TempoCurve curve, int sampleRate) {
        this.curve = curve;
        this.sampleRate = sampleRate;
        stepsPerBeat = voice.stepsPerBeat();
        betweenBeats = voice.betweenBeats();
        stroke = ClickSound.stroke(voice, false, sampleRate);
        accent = voice.accent().isOff() ? stroke : ClickSound.stroke(voice, true, sampleRate);
    }

    /**
     * Writes the song's frames from {@code songFrame} on.
     *
     * @param lastFrame strokes that would begin at or after it are left out: the song has stopped there
     */
    public void fill(long songFrame, float[] out, int offset, int frames, long lastFrame) {
        seek(songFrame);
        long begins = frameOfStep();
        long next = frameAfterStep();
        for (int n = 0; n < frames; n++) {
            long at = songFrame + n;
            while (at >= next) {
                forward();
                begins = next;
                next = frameAfterStep();
            }
            out[offset + n] = begins < lastFrame && sounds() ? sample(at - begins) : 0;
        }
    }

    /** The first frame at or after a given one at which a stroke begins. */
    public long nextStroke(long songFrame) {
        seek(songFrame);
        while (frameOfStep() < songFrame || !sounds()) {
            forward();
        }
        return frameOfStep();
    }

    private float sample(long sinceStroke) {
        float[] samples = step == 0 ? accent : stroke;
        return sinceStroke < samples.length ? samples[(int) sinceStroke] : 0;
    }

    private boolean sounds() {
        return !betweenBeats || step % stepsPerBeat != 0;
    }

    /** Stands on the last step that begins at or before a frame. */
    private void seek(long songFrame) {
        double quarter = curve.quarter((double) songFrame / sampleRate);
        bar = curve.barAt(quarter);
        step = (int) Math.min(curve.beatsIn(bar) * stepsPerBeat - 1.0, curve.beatAt(quarter) * stepsPerBeat);
        while (frameOfStep() > songFrame) {
            back();
        }
        while (frameAfterStep() <= songFrame) {
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
    }

    private void back() {
        step--;
        if (step < 0) {
            bar--;
            step = curve.beatsIn(bar) * stepsPerBeat - 1;
        }
    }
}
