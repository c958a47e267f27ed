package vividlantern.sim;

import java.util.Arrays;
import java.util.List;
import vividlantern.hardware.FreeRunning;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;
import vividlantern.units.Noise;

/**
 * A small interface on a clock of its own, and a second computer that plays a backing track into it: held chords of the tune, begun
 * when the song begins and played on by its own clock.
 */
final class SecondComputer implements FreeRunning {

    static final String ID = "second-computer";

    private static final float LEVEL = 0.35f;
    private static final double STAMPS_ARE_OFF_BY = 0.2;
    private static final int AT_ONCE = 1024;

    private final String device;
    private final double ppm;
    private final int channels;
    private final int sampleRate;
    private final Player player;
    private final float[][] sounds = new float[2][AT_ONCE];

    SecondComputer(String device, NoteBank bank, int sampleRate, TempoMap map, double ppm, int channels) {
        this.device = device;
        this.ppm = ppm;
        this.channels = channels;
        this.sampleRate = sampleRate;
        TempoCurve curve = map.curve();
        Tune tune = new Tune();
        player = new Player(
                ID,
                List.of(
                        new Body(bank, sampleRate, List.of(new Body.Line(Timbre.SWELLING, tune.held(2))), curve),
                        new Body(bank, sampleRate, List.of(new Body.Line(Timbre.SWELLING, tune.held(4))), curve)),
                curve.frame(Tune.END, sampleRate),
                AT_ONCE);
    }

    String device() {
        return device;
    }

    Player player() {
        return player;
    }

    void follow(TempoMap map) {
        TempoCurve curve = map.curve();
        player.follow(curve, curve.frame(Tune.END, sampleRate));
    }

    /** Its own frame at a frame of the leading clock. */
    long own(long leadingFrame) {
        return Math.round(leadingFrame * (1 + ppm * 1e-6));
    }

    @Override
    public int channels() {
        return channels;
    }

    @Override
    public double capturedBy(long leadingFrame) {
        return leadingFrame * (1 + ppm * 1e-6) + STAMPS_ARE_OFF_BY * Noise.triangular(2000, leadingFrame);
    }

    @Override
    public void copy(long from, float[][] to, int offset, int frames) {
        for (int done = 0; done < frames; done += AT_ONCE) {
            int span = Math.min(AT_ONCE, frames - done);
            player.sound(from + done, sounds, span);
            for (int channel = 0; channel < channels; channel++) {
                Arrays.fill(to[channel], offset + done, offset + done + span, 0);
                for (int n = 0; channel < sounds.length && n < span; n++) {
                    to[channel][offset + done + n] = LEVEL * sounds[channel][n];
                }
            }
        }
    }
}
