package vividlantern.timing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What two mics that hear one source do to each other, by their normalised cross-correlation: its peak's lag is the delay, its
 * sign the polarity. It suggests, it proves nothing.
 *
 * @param correlation at the peak, from 0 to 1
 * @param laterFrames by how much the second hears it later than the first; below 0 earlier
 * @param opposite whether one is turned over against the other
 * @param sumDb what both together gain over two that know nothing of each other; below 0 they cancel
 * @param inLineDb the same if they were in line
 * @param believed whether it is more than chance
 * @param doubts what speaks against it, a sentence each
 * @param byLag the correlation, from -1 to 1, at lags from -20 to 20 ms in steps of stepMs: the strongest within each step;
 *     empty if one is silent
 */
public record TwoMics(
        double correlation,
        double laterFrames,
        double laterMs,
        boolean opposite,
        double sumDb,
        double inLineDb,
        boolean believed,
        String sentence,
        List<String> doubts,
        double stepMs,
        List<Double> byLag) {

    /** From here on it is believed. */
    public static final double BELIEVED_FROM = 0.4;

    private static final double STEP_MS = 0.1;

    private static final double LONGEST_SECONDS = 0.02;
    private static final double QUIETEST_DBFS = -75;
    private static final double RIVAL = Math.pow(10, -1 / 20.0);
    /** So near a peak its own flanks are no rivals. */
    private static final int FLANK = 4;

    /**
     * @param first what listeners hear of the first, without level and pan
     * @param skin whether both may be at one skin or board
     */
    public static TwoMics of(
            float[] first, float[] second, int sampleRate, String firstName, String secondName, boolean skin) {
        int longest = (int) Math.round(LONGEST_SECONDS * sampleRate);
        Spectra spectra = new Spectra(first, second, longest);
        double both = Math.sqrt(spectra.firstEnergy() * spectra.secondEnergy());
        if (isQuiet(spectra.firstEnergy(), first.length) || isQuiet(spectra.secondEnergy(), second.length)) {
            String quiet = isQuiet(spectra.firstEnergy(), first.length) ? firstName : secondName;
            return new TwoMics(
                    0,
                    0,
                    0,
                    false,
                    0,
                    0,
                    false,
                    quiet + " is silent. Let somebody play.",
                    List.of(),
                    STEP_MS,
                    List.of());
        }
        double[] byLag = spectra.byLag();
        int best = 0;
        for (int at = 0; at < byLag.length; at++) {
            best = Math.abs(byLag[at]) > Math.abs(byLag[best]) ? at : best;
        }
        double lag = spectra.refine(best - longest, byLag[best] >= 0);
        double peak = spectra.at(lag);
        double correlation = Math.min(1, Math.abs(peak) / both);
        double apart = spectra.firstEnergy() + spectra.secondEnergy();
        double sumDb = 10 * Math.log10(Math.max(1e-6, (apart + 2 * byLag[longest]) / apart));
        double inLineDb = 10 * Math.log10((apart + 2 * Math.abs(peak)) / apart);
        boolean believed = correlation >= BELIEVED_FROM;
        List<String> doubts = doubts(byLag, best, longest, sampleRate, correlation, peak < 0 && skin);
        double ms = 1000 * lag / sampleRate;
        return new TwoMics(
                correlation,
                lag,
                ms,
                peak < 0,
                sumDb,
                inLineDb,
                believed,
                sentence(believed, firstName, secondName, lag, ms, peak < 0, sumDb, inLineDb),
                doubts,
                STEP_MS,
                steps(byLag, longest, sampleRate, both));
    }

    private static List<Double> steps(double[] byLag, int longest, int sampleRate, double both) {
        int count = (int) Math.round(2000 * LONGEST_SECONDS / STEP_MS) + 1;
        double framesEach = STEP_MS * sampleRate / 1000;
        List<Double> steps = new ArrayList<>();
        for (int step = 0; step < count; step++) {
            double middle = longest + (step - count / 2) * framesEach;
            int to = Math.min(byLag.length - 1, (int) Math.floor(middle + framesEach / 2));
            double strongest = 0;
            for (int at = Math.max(0, (int) Math.ceil(middle - framesEach / 2)); at <= to; at++) {
                strongest = Math.abs(byLag[at]) > Math.abs(strongest) ? byLag[at] : strongest;
            }
            steps.add(Math.round(1000 * strongest / both) / 1000.0);
        }
        return steps;
    }

    private static boolean isQuiet(double energy, int frames) {
        return 10 * Math.log10(Math.max(1e-20, energy / frames)) < QUIETEST_DBFS;
    }

    private static List<String> doubts(
            double[] byLag, int best, int longest, int sampleRate, double correlation, boolean skin) {
        List<String> doubts = new ArrayList<>();
        if (correlation < BELIEVED_FROM) {
            doubts.add(String.format(
                    Locale.ROOT,
                    "They have too little in common to be sure (%.2f; from %.1f on it is believed).",
                    correlation,
                    BELIEVED_FROM));
        }
        rival(byLag, best)
                .ifPresent(at -> doubts.add(String.format(
                        Locale.ROOT,
                        "%.2f ms would do nearly as well: sustained notes have rival peaks. Let something short be played.",
                        1000.0 * (at - longest) / sampleRate)));
        if (skin) {
            doubts.add("The two sides of one skin or board are opposite by nature.");
        }
        return doubts;
    }

    /** The largest other peak of the correlation, if it is within 1 dB. */
    private static Optional<Integer> rival(double[] byLag, int best) {
        int rival = -1;
        for (int at = 1; at < byLag.length - 1; at++) {
            double here = Math.abs(byLag[at]);
            boolean isPeak = here >= Math.abs(byLag[at - 1]) && here >= Math.abs(byLag[at + 1]);
            if (isPeak && Math.abs(at - best) > FLANK && (rival < 0 || here > Math.abs(byLag[rival]))) {
                rival = at;
            }
        }
        return rival >= 0 && Math.abs(byLag[rival]) >= RIVAL * Math.abs(byLag[best])
                ? Optional.of(rival)
                : Optional.empty();
    }

    private static String sentence(
            boolean believed,
            String first,
            String second,
            double lag,
            double ms,
            boolean opposite,
            double sumDb,
            double inLineDb) {
        if (!believed) {
            return first + " and " + second + " hear too little of the same to be compared.";
        }
        String when = Math.abs(lag) < 0.5
                ? first + " and " + second + " hear it at the same time"
                : String.format(
                        Locale.ROOT,
                        "%s hears it %.2f ms later than %s, %.0f frames",
                        lag > 0 ? second : first,
                        Math.abs(ms),
                        lag > 0 ? first : second,
                        Math.abs(lag));
        String sum =
                String.format(Locale.ROOT, "Together they %s %.1f dB", sumDb < 0 ? "lose" : "gain", Math.abs(sumDb));
        String could = inLineDb - sumDb < 0.1
                ? "."
                : String.format(Locale.ROOT, "; in line they would gain %.1f dB.", inLineDb);
        return when + (opposite ? ", the other way round. " : ". ") + sum + could;
    }
}
