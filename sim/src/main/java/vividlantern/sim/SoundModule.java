package vividlantern.sim;

import java.util.Arrays;
import java.util.List;
import vividlantern.session.song.TempoCurve;
import vividlantern.session.song.TempoMap;

/**
 * A sound module that plays along with the tune by itself: low drums at its outputs 1 and 2, high drums at 3 and 4, a piano at
 * 5 and 6, a pad at 7 and 8. It hands over numbers, so no room, no preamp and no converter is in its way.
 */
final class SoundModule {

    /** Its id among those who can be told to play or to rest. */
    static final String ID = "sound-module";

    /** Full scales a pascal at one metre, which is what the synthesizers give. */
    private static final float LEVEL = 0.28f;

    /** How much of each body is at each output. */
    private static final float[][] SHARES = {
        {0.7f, 0, 0, 0, 0, 0, 0},
        {0.7f, 0, 0, 0, 0, 0, 0},
        {0, 1, 0.7f, 0, 0, 0, 0},
        {0, 0.9f, 1.4f, 0, 0, 0, 0},
        {0, 0, 0, 1, 0.5f, 0, 0},
        {0, 0, 0, 0.5f, 1, 0, 0},
        {0, 0, 0, 0, 0, 1.8f, 0.7f},
        {0, 0, 0, 0, 0, 0.7f, 1.8f},
    };

    private final Player player;
    private final float[][] bodies;
    private final int sampleRate;

    SoundModule(NoteBank bank, int sampleRate, TempoMap map, int maxFrames) {
        Tune tune = new Tune();
        TempoCurve curve = map.curve();
        this.sampleRate = sampleRate;
        List<Body> sounds = List.of(
                body(bank, sampleRate, curve, Timbre.STRUCK_LOW, tune.cajonLow()),
                body(bank, sampleRate, curve, Timbre.STRUCK_HIGH, tune.cajonHigh()),
                body(bank, sampleRate, curve, Timbre.SHAKEN, tune.shaker()),
                body(bank, sampleRate, curve, Timbre.HAMMERED, tune.accordionBass()),
                body(bank, sampleRate, curve, Timbre.HAMMERED, tune.accordionTreble()),
                body(bank, sampleRate, curve, Timbre.SWELLING, tune.held(2)),
                body(bank, sampleRate, curve, Timbre.SWELLING, tune.held(4)));
        player = new Player(ID, sounds, curve.frame(Tune.END, sampleRate), maxFrames);
        bodies = new float[sounds.size()][maxFrames];
    }

    private static Body body(NoteBank bank, int sampleRate, TempoCurve curve, Timbre timbre, List<Note> notes) {
        return new Body(bank, sampleRate, List.of(new Body.Line(timbre, notes)), curve);
    }

    Player player() {
        return player;
    }

    void follow(TempoMap map) {
        TempoCurve curve = map.curve();
        player.follow(curve, curve.frame(Tune.END, sampleRate));
    }

    /** Plays frames of the song, to be fetched output by output. */
    void play(long frame, int frames) {
        player.sound(frame, bodies, frames);
    }

    /** What an output gives of the frames played last; one it has not is silent. */
    void fetch(int output, float[] out, int frames) {
        Arrays.fill(out, 0, frames, 0);
        if (output >= SHARES.length) {
            return;
        }
        for (int body = 0; body < bodies.length; body++) {
            float share = SHARES[output][body] * LEVEL;
            for (int n = 0; share != 0 && n < frames; n++) {
                out[n] += share * bodies[body][n];
            }
        }
    }
}
