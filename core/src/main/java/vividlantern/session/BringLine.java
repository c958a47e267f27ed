package vividlantern.session;

import java.util.LinkedHashMap;
import java.util.Map;

/** A line of one's own in the list of what to bring: what no input asks for, as earplugs or a drive. */
public record BringLine(BringLineId id, double position, String what, int count) implements Part {
    @Override
    public String title(PartNames names, PartKey key) {
        return "To bring: " + what;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("what", what);
        traits.put("count", String.valueOf(count));
        return traits;
    }
}
