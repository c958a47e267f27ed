package vividlantern.engine;

import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import vividlantern.basics.Progress;
import vividlantern.basics.Refused;

/** Measures at the inputs of a stay: one measurement after the other, each by readers of the tape of inputs. */
final class Measuring {

    /** So often the tape of inputs is read; it holds more than half a second at any rate. */
    private static final long READ_MILLIS = 50;

    private static final long LONGEST_PROBE_MILLIS = 60_000;

    private final Object turn = new Object();
    private final Consumer<Consumer<Run>> byTheStay;
    private final Supplier<String> fault;

    /**
     * @param byTheStay has something done by the stay's own thread with what runs, and waits until it is
     * @param fault why nothing sounds; "" while it does
     */
    Measuring(Consumer<Consumer<Run>> byTheStay, Supplier<String> fault) {
        this.byTheStay = byTheStay;
        this.fault = fault;
    }

    /**
     * Sends samples out by an output and takes what comes in at an input meanwhile; waits until that is done.
     *
     * @param firstFrames for how long every input is taken
     * @throws Refused if the song plays, or it was cancelled, or the sound broke off
     */
    ProbeResponse probe(float[] sent, int output, int input, int firstFrames, Progress progress) {
        synchronized (turn) {
            progress.at(0);
            Probe probe = new Probe(sent, output);
            Engine engine = begin(probe, true);
            TapeReader all = new TapeReader(engine.inputs(), everyInput(engine), probe.begin(), firstFrames);
            TapeReader one = new TapeReader(engine.inputs(), new int[] {input}, probe.begin(), sent.length);
            read(probe, () -> {
                progress.at(one.share());
                return all.read() & one.read();
            });
            return new ProbeResponse(whole(one)[0], whole(all));
        }
    }

    /** Takes what comes in at some inputs from now on, for some frames; waits until that is done. */
    float[][] listen(int[] inputs, int frames) {
        synchronized (turn) {
            Probe probe = Probe.silent();
            Engine engine = begin(probe, false);
            TapeReader reader = new TapeReader(engine.inputs(), inputs, probe.begin(), frames);
            read(probe, reader::read);
            return whole(reader);
        }
    }

    private static int[] everyInput(Engine engine) {
        return IntStream.range(0, engine.inputs().channels()).toArray();
    }

    private static float[][] whole(TapeReader reader) {
        if (reader.missed()) {
            throw new Refused(
                    "The computer was too busy to take in what was heard. Nothing was kept; measure again.", "");
        }
        return reader.taken();
    }

    private Engine begin(Probe probe, boolean inSilence) {
        Engine[] measuring = new Engine[1];
        byTheStay.accept(now -> {
            if (inSilence && now.changeOver().live().playing()) {
                throw new Refused("The song plays. Stop it, then measure.", "");
            }
            if (!now.fault().isEmpty()) {
                throw new Refused(now.fault(), "");
            }
            measuring[0] = now.engine();
            now.engine().begin(probe);
        });
        read(probe, () -> probe.hasBegun(READ_MILLIS));
        return measuring[0];
    }

    /** Asks until something is done. */
    private void read(Probe probe, Callable<Boolean> done) {
        try {
            for (long waited = 0; !done.call(); waited += READ_MILLIS) {
                if (!fault.get().isEmpty() || waited > LONGEST_PROBE_MILLIS) {
                    throw brokenOff();
                }
                Thread.sleep(READ_MILLIS);
            }
        } catch (InterruptedException interrupted) {
            probe.end();
            Thread.currentThread().interrupt();
            throw brokenOff();
        } catch (Refused refused) {
            probe.end();
            throw refused;
        } catch (Exception impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static Refused brokenOff() {
        return new Refused("The measurement was broken off. Nothing was kept.", "");
    }
}
