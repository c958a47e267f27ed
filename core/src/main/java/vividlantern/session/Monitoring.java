package vividlantern.session;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.units.PlainNumber;

/**
 * What holds for everybody's monitoring: how late each kind of source may be heard, how loud it may get at an ear, and the two buffers
 * that are remembered.
 *
 * @param tolerances those that are other than usual
 * @param ownEarMaximum what a sine may reach at any ear in dB SPL, if it is other than usual
 */
public record Monitoring(
        List<Tolerance> tolerances, int recordBuffer, int mixBuffer, Purpose purpose, Optional<Double> ownEarMaximum)
        implements Part {

    private static final int MIX_BUFFER = 1024;

    /** What a sine may reach at any ear as long as nobody says otherwise, in dB SPL. */
    private static final double USUAL_EAR_MAXIMUM = 105;

    /** What the session is at, which chooses the buffer. */
    public enum Purpose {
        /** People play and hear themselves: small. */
        RECORD,
        /** Nobody plays, much is computed: large. */
        MIX
    }

    /** By how many milliseconds at most a kind of source may be heard later than it sounds. */
    public record Tolerance(SourceKind kind, double ms) {}

    public Monitoring {
        tolerances = List.copyOf(tolerances);
    }

    /** As it begins: the buffer that is set is for recording. */
    static Monitoring beginning(int bufferFrames) {
        return new Monitoring(
                List.of(), bufferFrames, Math.max(bufferFrames, MIX_BUFFER), Purpose.RECORD, Optional.empty());
    }

    public double toleranceMs(SourceKind kind) {
        return tolerances.stream()
                .filter(each -> each.kind() == kind)
                .mapToDouble(Tolerance::ms)
                .findFirst()
                .orElse(kind.toleranceMs());
    }

    public Monitoring tolerating(SourceKind kind, double ms) {
        Stream<Tolerance> others = tolerances.stream().filter(each -> each.kind() != kind);
        Stream<Tolerance> own = ms == kind.toleranceMs() ? Stream.empty() : Stream.of(new Tolerance(kind, ms));
        return new Monitoring(
                Stream.concat(others, own)
                        .sorted(Comparator.comparing(Tolerance::kind))
                        .toList(),
                recordBuffer,
                mixBuffer,
                purpose,
                ownEarMaximum);
    }

    /** What a sine may reach at any ear, in dB SPL; the ceiling guards see to it where the way there is known. */
    public double earMaximum() {
        return ownEarMaximum.orElse(USUAL_EAR_MAXIMUM);
    }

    public Monitoring upTo(double spl) {
        Optional<Double> own = spl == USUAL_EAR_MAXIMUM ? Optional.empty() : Optional.of(spl);
        return new Monitoring(tolerances, recordBuffer, mixBuffer, purpose, own);
    }

    /** The buffer that is remembered for a purpose. */
    public int bufferFor(Purpose which) {
        return which == Purpose.RECORD ? recordBuffer : mixBuffer;
    }

    /** Remembers a buffer for what the session is at. */
    public Monitoring remembering(int bufferFrames) {
        return purpose == Purpose.RECORD
                ? new Monitoring(tolerances, bufferFrames, mixBuffer, purpose, ownEarMaximum)
                : new Monitoring(tolerances, recordBuffer, bufferFrames, purpose, ownEarMaximum);
    }

    public Monitoring at(Purpose other) {
        return new Monitoring(tolerances, recordBuffer, mixBuffer, other, ownEarMaximum);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Monitoring";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        tolerances.forEach(each -> traits.put(each.kind().words(), PlainNumber.of(each.ms()) + " ms late at most"));
        traits.put("buffer to record", recordBuffer + " frames");
        traits.put("buffer to mix", mixBuffer + " frames");
        traits.put("at any ear", PlainNumber.of(earMaximum()) + " dB SPL at most");
        traits.put("at", purpose == Purpose.RECORD ? "record" : "mix");
        return traits;
    }
}
