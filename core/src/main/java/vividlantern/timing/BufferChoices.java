package vividlantern.timing;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/**
 * The buffers that can be chosen, and what each would do.
 *
 * @param proposal what to choose, in words
 * @param proposed the buffer that is proposed; the one that is set if none is better
 */
public record BufferChoices(List<BufferChoice> choices, String proposal, int proposed) {

    /** More of each block's time than this leaves too little for what comes now and then. */
    private static final double HIGHEST_LOAD = 0.6;

    /** How a performer would be at a buffer. */
    public record AtBuffer(PerformerId performer, Optional<Double> ms, PerformerTiming.Verdict verdict, String words) {}

    /**
     * One buffer.
     *
     * @param load the share of each block's time that the engine would take
     * @param heavy whether that leaves too little
     */
    public record BufferChoice(
            int bufferFrames, double roundTripMs, double load, boolean heavy, List<AtBuffer> performers) {

        boolean isInTime() {
            return performers.stream().noneMatch(each -> each.verdict() == PerformerTiming.Verdict.LATE);
        }
    }

    /** @param load the share of its time that a block of so many frames would take */
    public static BufferChoices of(
            Session session, Rig rig, Timing timing, double notReported, IntToDoubleFunction load) {
        List<BufferChoice> choices = rig.driver().bufferFrames().stream()
                .map(buffer -> choice(session, rig, timing, notReported, buffer, load.applyAsDouble(buffer)))
                .toList();
        return proposal(session, choices);
    }

    private static BufferChoice choice(
            Session session, Rig rig, Timing timing, double notReported, int buffer, double load) {
        double frames =
                Delays.of(rig, session.sampleRate(), buffer, notReported).roundTripFrames();
        return new BufferChoice(
                buffer,
                1000 * frames / session.sampleRate(),
                load,
                load > HIGHEST_LOAD,
                timing.performersAt(buffer).stream()
                        .map(each -> new AtBuffer(each.performer(), each.latestMs(), each.verdict(), each.words()))
                        .toList());
    }

    private static BufferChoices proposal(Session session, List<BufferChoice> choices) {
        Optional<BufferChoice> best = choices.stream()
                .filter(choice -> !choice.heavy() && choice.isInTime())
                .reduce((smaller, larger) -> larger);
        if (best.isPresent()) {
            return new BufferChoices(
                    choices,
                    String.format(
                            Locale.ROOT,
                            "%d keeps everybody in time and leaves %.0f %% reserve.",
                            best.get().bufferFrames(),
                            100 * (1 - best.get().load())),
                    best.get().bufferFrames());
        }
        Optional<BufferChoice> bearable =
                choices.stream().filter(choice -> !choice.heavy()).findFirst();
        if (bearable.isEmpty()) {
            return new BufferChoices(
                    choices,
                    "This computer has too little time for each of them. Fewer tracks or cues, or a lower rate, help.",
                    session.bufferFrames());
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
                bearable.get().bufferFrames());
    }
}
