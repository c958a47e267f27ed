package vividlantern.session;

import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * How loud those who hear a cue get an input direct: by the interface's own matrix, past the engine, its mix and its ceiling
 * guards. A way that is off is not kept.
 *
 * @param level on its way to the cue's output pair
 */
public record DirectLevel(CueId cue, InputId input, Decibels level, Pan pan) implements Part {

    public boolean isOf(CueId otherCue, InputId otherInput) {
        return cue.equals(otherCue) && input.equals(otherInput);
    }
}
