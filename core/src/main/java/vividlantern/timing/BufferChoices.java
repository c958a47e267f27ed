package vividlantern.timing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import vividlantern.engine.Incidents.Incident;
import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/**
 * The buffers that can be chosen, what each would do, and which to choose: the largest that keeps everybody in time, leaves the engine
 * some reserve, and did not fail since the session took the rig. Whoever speaks of another buffer asks here.
 *
 * @param proposal what to choose, in words
 * @param proposed the buffer that is proposed; the one that is set if none is better
 * @param inTime whether it keeps everybody in time
 */
public record BufferChoices(List<BufferChoice> choices, String proposal, int proposed, boolean inTime) {

    /** More of each block's time than this leaves too little for what comes now and then. */
    private static final double HIGHEST_LOAD = 0.6;

    /** How a performer would be at a buffer. */
    public record AtBuffer(PerformerId performer, Optional<Double> ms, PerformerTiming.Verdict verdict, String words) {}

    /**
     * One buffer.
     *
     * @param load the share of each block's time that the engine would take
     * @param heavy whether that leaves too little
     * @param failed whether the computer was too busy for it, or for a larger one, since the session took the rig
     */
    public record BufferChoice(
            int bufferFrames,
            double roundTripMs,
            double load,
            boolean heavy,
            boolean failed,
            List<AtBuffer> performers) {

        boolean isBearable() {
            return !heavy && !failed;
        }

        boolean isInTime() {
            return performers.stream().noneMatch(each -> each.verdict() == PerformerTiming.Verdict.LATE);
        }
    }

    /**
     * @param load the share of its time that a block of so many frames would take
     * @param incidents what went wrong with the sound since the session took the rig
     */
    public static BufferChoices of(
            Session session,
            Rig rig,
            Timing timing,
            double notReported,
            IntToDoubleFunction load,
            List<Incident> incidents) {
        int failed = incidents.stream()
                .filter(Incident::isBufferTooSmall)
                .mapToInt(Incident::bufferFrames)
                .max()
                .orElse(0);
        List<BufferChoice> choices = rig.driver().bufferFrames().stream()
                .map(buffer ->
                        choice(session, rig, timing, notReported, buffer, load.applyAsDouble(buffer), buffer <= failed))
                .toList();
        return proposal(session, choices);
    }

    private static BufferChoice choice(
            Session session, Rig rig, Timing timing, double notReported, int buffer, double load, boolean failed) {
        double frames =
                Delays.of(rig, session.sampleRate(), buffer, notReported).roundTripFrames();
        return new BufferChoice(
                buffer,
                1000 * frames / session.sampleRate(),
                load,
                load > HIGHEST_LOAD,
                failed,
                timing.performersAt(buffer).stream()
                        .map(each -> new AtBuffer(each.performer(), each.latestMs(), each.verdict(), each.words()))
                        .toList());
    }

    private static BufferChoices proposal(Session session, List<BufferChoice> choices) {
        Optional<BufferChoice> best = choices.stream()
                .filter(choice -> choice.isBearable() && choice.isInTime())
                .reduce((smaller, larger) -> larger);
        if (best.isPresent()) {
            return new BufferChoices(
                    choices,
                    String.format(
                            Locale.ROOT,
                            "%d keeps everybody in time and leaves %.0f %% reserve.",
                            best.get().bufferFrames(),
                            100 * (1 - best.get().load())),
                    best.get().bufferFrames(),
                    true);
        }
        Optional<BufferChoice> bearable =
                choices.stream().filter(BufferChoice::isBearable).findFirst();
        if (bearable.isEmpty()) {
            return new BufferChoices(
                    choices,
                    "This computer has too little time for each of them. "
                            + "Close other programs; fewer tracks or cues, or a lower rate, help too.",
                    session.bufferFrames(),
                    false);
        }
        List<String> late = bearable.get().performers().stream()
                .filter(each -> each.verdict() == PerformerTiming.Verdict.LATE)
                .flatMap(each -> session.find(each.performer()).map(Performer::name).stream())
                .toList();
        return new BufferChoices(
                choices,
                String.format(
                        Locale.ROOT,
                        "%d leaves %.0f %% reserve; %s would still be late and should hear direct.",
                        bearable.get().bufferFrames(),
                        100 * (1 - bearable.get().load()),
                        String.join(", ", late)),
                bearable.get().bufferFrames(),
                false);
    }
}
