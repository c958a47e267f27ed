package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.Map;
import vividlantern.session.cue.CueId;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * How loud those who hear a cue get an input direct: by the interface's own matrix, past the engine, its mix and its ceiling
 * guards. A way that is off is not kept.
 *
 * @param level on its way to the cue's output pair
 */
public record DirectLevel(CueId cue, InputId input, Decibels level, Pan pan) implements Part {

    /** What names it among all direct levels. */
    String key() {
        return key(cue, input);
    }

    static String key(CueId cue, InputId input) {
        return cue + "/" + input;
    }

    public boolean isOf(CueId otherCue, InputId otherInput) {
        return cue.equals(otherCue) && input.equals(otherInput);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return names.input(input) + " direct in cue " + names.cue(cue);
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("level", level.toString());
        traits.put("pan", pan.toString());
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.find(cue).isPresent() && session.find(input).isPresent();
    }
}
