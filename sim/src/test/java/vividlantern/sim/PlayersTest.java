package vividlantern.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import vividlantern.session.song.TempoCurve;
import vividlantern.units.Air;

/** The players play in time and in tune, at a level an engineer can work with. */
public class PlayersTest {

    private static final int SECONDS = 40;
    private static final int ARRIVAL = Take.arrival(Take.SESSION.bufferFrames());

    private final Map<String, float[][]> takes = new HashMap<>();

    /** Each mic with the player whose it is. */
    @DataProvider
    public Object[][] mics() {
        return new Object[][] {
            {"accordion", "wall-5"},
            {"accordion", "wall-6"},
            {"fiddle", "wall-1"},
            {"fiddle", "wall-2"},
            {"bass", "old-pilot-1"},
            {"bass", "wall-3"},
            {"cajon", "skerry-1"},
            {"cajon", "skerry-2"},
            {"cajon", "skerry-3"},
            {"voice", "wall-7"},
            {"voice", "wall-8"},
        };
    }

    @Test(dataProvider = "mics")
    public void eachPlayerAloneAtTheirOwnMicLiesBetweenMinusThirtyAndMinusEighteenLufs(String who, String port) {
        assertThat(Loudness.lufs(alone(who)[Take.channel(port)])).isBetween(-30.0, -18.0);
    }

    @Test(dataProvider = "mics")
    public void nobodyClipsWhileTheyPlayAsAgreed(String who, String port) {
        assertThat(Take.peakDb(alone(who)[Take.channel(port)], 0, SECONDS * Take.RATE))
                .isLessThan(-3);
    }

    /** A mic, and a steady note there: its quarter, how long it lasts, and its MIDI number. */
    @DataProvider
    public Object[][] notes() {
        return new Object[][] {
            {"fiddle", "wall-1", new Tune().fiddle(), 3},
            {"voice", "wall-7", new Tune().voice(), 3},
            {"accordion", "wall-6", new Tune().accordionBass(), 3},
            {"bass", "old-pilot-1", new Tune().bass(), 3},
        };
    }

    @Test(dataProvider = "notes")
    void eachPitchLiesWithinTenCents(String who, String port, List<Note> notes, int howMany) {
        TempoCurve curve = Take.SESSION.tempoMap().curve();
        float[] samples = alone(who)[Take.channel(port)];
        notes.stream()
                .filter(note -> note.quarters() >= 0.8 && curve.seconds(note.quarter() + note.quarters()) < SECONDS - 1)
                .limit(howMany)
                .forEach(note -> {
                    int from = ARRIVAL + (int) curve.frame(note.quarter(), Take.RATE) + 3000;
                    int length = (int) (curve.frame(note.quarter() + note.quarters(), Take.RATE)
                            - curve.frame(note.quarter(), Take.RATE)
                            - 4000);
                    double wanted = 440 * Math.pow(2, (note.pitch() - 69) / 12.0);
                    assertThat(1200 * Math.log(frequency(samples, from, length, wanted) / wanted) / Math.log(2))
                            .as("%s at quarter %s", who, note.quarter())
                            .isCloseTo(0, within(10.0));
                });
    }

    /** Every line of the score with what plays it. */
    @DataProvider
    public Object[][] lines() {
        Tune tune = new Tune();
        return new Object[][] {
            {Timbre.REED, tune.accordionTreble()},
            {Timbre.REED, tune.accordionBass()},
            {Timbre.BOWED, tune.fiddle()},
            {Timbre.PLUCKED_DEEP, tune.bass()},
            {Timbre.PLUCKED_BRIGHT, tune.bouzouki()},
            {Timbre.SUNG, tune.voice()},
            {Timbre.STRUCK_LOW, tune.cajonLow()},
            {Timbre.STRUCK_HIGH, tune.cajonHigh()},
            {Timbre.SHAKEN, tune.shaker()},
        };
    }

    /** A note has begun when it first reaches a tenth of its peak. */
    @Test(dataProvider = "lines")
    void everyNoteBeginsWithinTenMillisecondsOfItsBeat(Timbre timbre, List<Note> notes) {
        TempoCurve curve = Take.SESSION.tempoMap().curve();
        NoteBank bank = new NoteBank();
        for (Note note : notes) {
            Body body = new Body(bank, Take.RATE, List.of(new Body.Line(timbre, List.of(note))), curve);
            long beat = curve.frame(note.quarter(), Take.RATE);
            float[] samples = new float[12_000];
            body.add(beat - 2000, 0, samples, 0, samples.length);
            assertThat(firstAbove(samples, 0.1) - 2000).isBetween(0, 480);
        }
    }

    @Test
    public void aStrokeArrivesAtItsMicAfterTheWayThroughTheAirAndTheConverters() {
        TempoCurve curve = Take.SESSION.tempoMap().curve();
        float[] samples = alone("cajon")[Take.channel("skerry-1")];
        int air = new Air(21).delayFrames(0.3, Take.RATE);
        for (Note note : new Tune().cajonHigh().subList(0, 24)) {
            int at = ARRIVAL + air + (int) curve.frame(note.quarter(), Take.RATE);
            assertThat(steepestRise(samples, at - 1440, at + 1440)).isBetween(at - 100, at + 200);
        }
    }

    private static int firstAbove(float[] samples, double share) {
        double peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        int at = 0;
        while (Math.abs(samples[at]) < share * peak) {
            at++;
        }
        return at;
    }

    private float[][] alone(String who) {
        return takes.computeIfAbsent(who, player -> Take.record(player, SECONDS));
    }

    /** The frame around which the energy grows most from 2 ms to the next 2 ms. */
    private static int steepestRise(float[] samples, int from, int to) {
        int window = 96;
        int best = from;
        double most = 0;
        for (int at = from; at < to; at += 16) {
            double before = energy(samples, at - window, at);
            double after = energy(samples, at, at + window);
            if (after - before > most) {
                most = after - before;
                best = at;
            }
        }
        return best;
    }

    private static double energy(float[] samples, int from, int to) {
        double sum = 0;
        for (int n = from; n < to; n++) {
            sum += samples[n] * samples[n];
        }
        return sum;
    }

    /** The frequency near a wanted one at which a windowed stretch correlates most with a sine. */
    private static double frequency(float[] samples, int from, int length, double wanted) {
        double best = 0;
        double most = -1;
        for (double cents = -60; cents <= 60; cents += 1) {
            double f = wanted * Math.pow(2, cents / 1200);
            double re = 0;
            double im = 0;
            for (int n = 0; n < length; n++) {
                double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * n / length);
                double phase = 2 * Math.PI * f * n / Take.RATE;
                re += window * samples[from + n] * Math.cos(phase);
                im += window * samples[from + n] * Math.sin(phase);
            }
            double power = re * re + im * im;
            if (power > most) {
                most = power;
                best = f;
            }
        }
        return best;
    }
}
