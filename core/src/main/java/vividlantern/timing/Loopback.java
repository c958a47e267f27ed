package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import vividlantern.engine.ProbeResponse;

/**
 * The delay from an output over a cable back to an input, found in what came in while sweeps went out.
 *
 * @param frames from the sample that was sent to the sample that came in; 0 if nothing can be trusted
 * @param runs the same for each sweep
 * @param signalToNoiseDb how far what came back over the cable stands above all else that came in
 * @param levelDbfs the peak of what came back
 * @param arrivedAt at which other channel it came in instead, -1 if at none
 * @param driftPpm how far the clocks of the two ports run apart
 */
public record Loopback(
        Verdict verdict,
        double frames,
        List<Double> runs,
        double signalToNoiseDb,
        double levelDbfs,
        int arrivedAt,
        double driftPpm) {

    /** What is to be thought of a measurement. */
    public enum Verdict {
        TRUSTED,
        NO_CABLE,
        /** It came in at another port. */
        WRONG_PORT,
        TOO_HOT,
        TOO_QUIET,
        /** The two ports do not run by one clock. */
        DRIFTING,
        /** The runs do not agree. */
        UNSTEADY
    }

    private static final double HEARD_DB = 6;
    private static final double CLEAR_DB = 20;
    private static final double QUIETEST_DBFS = -60;
    private static final double FULL_SCALE = 1 - Math.scalb(1.0, -23);
    private static final double AGREES_FRAMES = 0.15;

    /** One sweep as it came back. */
    private record Run(double delay, double gain, double signalToNoise) {}

    /** @param response while {@link Sweep#all} was sent */
    public static Loopback of(ProbeResponse response, int sampleRate) {
        List<Run> runs = new ArrayList<>();
        float[] sweep = Sweep.once(sampleRate);
        for (int run = 0; run < Sweep.RUNS; run++) {
            runs.add(run(sweep, response.received(), run * Sweep.spacing(sampleRate), sampleRate));
        }
        Run worst = runs.stream()
                .reduce((a, b) -> a.signalToNoise() < b.signalToNoise() ? a : b)
                .orElseThrow();
        List<Double> delays = runs.stream().map(Run::delay).toList();
        double mean = delays.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
        double level = 20 * Math.log10(Math.max(1e-10, Math.abs(worst.gain()) * Sweep.PEAK));
        double noise = 10 * Math.log10(Math.max(1e-12, worst.signalToNoise()));
        double drift =
                (delays.get(Sweep.RUNS - 1) - delays.get(0)) / ((Sweep.RUNS - 1.0) * Sweep.spacing(sampleRate)) * 1e6;
        if (noise < HEARD_DB) {
            int other = elsewhere(response, sweep, sampleRate);
            return new Loopback(
                    other < 0 ? Verdict.NO_CABLE : Verdict.WRONG_PORT, 0, List.of(), noise, level, other, 0);
        }
        Verdict verdict = judge(response, delays, mean, level, noise);
        return new Loopback(verdict, mean, delays, noise, level, -1, verdict == Verdict.DRIFTING ? drift : 0);
    }

    private static Verdict judge(ProbeResponse response, List<Double> delays, double mean, double level, double noise) {
        if (response.peak() >= FULL_SCALE) {
            return Verdict.TOO_HOT;
        }
        if (level < QUIETEST_DBFS || noise < CLEAR_DB) {
            return Verdict.TOO_QUIET;
        }
        if (delays.stream().allMatch(each -> Math.abs(each - mean) <= AGREES_FRAMES)) {
            return Verdict.TRUSTED;
        }
        double first = delays.get(1) - delays.get(0);
        double second = delays.get(2) - delays.get(1);
        return Math.abs(first - second) <= 2 * AGREES_FRAMES ? Verdict.DRIFTING : Verdict.UNSTEADY;
    }

    private static Run run(float[] sweep, float[] received, int from, int sampleRate) {
        int longest = Sweep.longestDelay(sampleRate);
        float[] part = new float[Math.min(sweep.length + longest, received.length - from)];
        System.arraycopy(received, from, part, 0, part.length);
        Spectra spectra = new Spectra(sweep, part, longest);
        double[] byLag = spectra.byLag();
        int best = longest;
        for (int at = longest; at < byLag.length; at++) {
            best = Math.abs(byLag[at]) > Math.abs(byLag[best]) ? at : best;
        }
        double delay = spectra.refine(best - longest, byLag[best] >= 0);
        double gain = spectra.at(delay) / spectra.firstEnergy();
        double signal = gain * gain * spectra.firstEnergy();
        double rest = Math.max(1e-15 * signal, spectra.secondEnergy() - signal);
        return new Run(delay, gain, signal == 0 ? 0 : signal / rest);
    }

    /** The channel at which the first sweep came in most clearly; -1 if at none. */
    private static int elsewhere(ProbeResponse response, float[] sweep, int sampleRate) {
        int found = -1;
        double clearest = Math.pow(10, HEARD_DB / 10);
        for (int input = 0; input < response.first().length; input++) {
            double here = run(sweep, response.first()[input], 0, sampleRate).signalToNoise();
            if (here > clearest) {
                clearest = here;
                found = input;
            }
        }
        return found;
    }

    public boolean isTrusted() {
        return verdict == Verdict.TRUSTED;
    }

    /**
     * What it says, in words.
     *
     * @param reported what the driver says, in frames
     * @param ports the channels' names
     */
    public String sentence(int reported, int sampleRate, String output, String input, List<String> ports) {
        return switch (verdict) {
            case TRUSTED -> {
                double more = frames - reported;
                yield String.format(
                        Locale.ROOT,
                        "%.1f frames, %.2f ms: %s.",
                        frames,
                        1000 * frames / sampleRate,
                        Math.abs(more) < 0.5
                                ? "as the driver says"
                                : String.format(
                                        Locale.ROOT,
                                        "%.1f frames %s than the driver says",
                                        Math.abs(more),
                                        more > 0 ? "more" : "less"));
            }
            case NO_CABLE ->
                "Nothing came back. Plug a cable from " + output + " into " + input + ", and see that the input is up.";
            case WRONG_PORT ->
                "It came in at " + ports.get(arrivedAt) + " instead of " + input
                        + ". Move the cable or choose that port.";
            case TOO_HOT -> "It came back at full scale and clipped. Turn the input's gain down, or take a line input.";
            case TOO_QUIET ->
                String.format(
                        Locale.ROOT,
                        "It came back at %.0f dBFS, %.0f dB above the noise: too quiet to be trusted. Turn the gain up.",
                        levelDbfs,
                        signalToNoiseDb);
            case DRIFTING ->
                String.format(
                        Locale.ROOT,
                        "The delay moves by %.1f parts in a million: the two ports run by different clocks. Measure within one device.",
                        driftPpm);
            case UNSTEADY ->
                "The three runs do not agree. Close other programs, or take a larger buffer, and try again.";
        };
    }
}
