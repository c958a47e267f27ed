package vividlantern.session;

import java.util.List;
import vividlantern.units.Decibels;

/**
 * What the click sounds like and when it counts in. Each voice has a track of its own, so that everybody can have
 * their own amount of each.
 *
 * @param countInBars bars that are clicked before the song starts
 */
public record ClickPattern(int countInBars, List<Voice> voices) implements Part {

    public static final int MOST_VOICES = 8;
    public static final int MOST_COUNT_IN_BARS = 8;

    public ClickPattern {
        voices = List.copyOf(voices);
    }

    /**
     * One sound of the click.
     *
     * @param stepsPerBeat into how many equal steps a beat is divided; 1 clicks on the beats
     * @param betweenBeats leaves out the steps that fall on a beat
     * @param accent how much louder the first step of a bar is; off leaves it as the others
     */
    public record Voice(
            VoiceId id,
            String name,
            Sound sound,
            double pitchHz,
            int stepsPerBeat,
            boolean betweenBeats,
            Decibels accent) {}

    public enum Sound {
        WOOD,
        TONE,
        TICK
    }
}
