package vividlantern.session.song;

import java.util.LinkedHashMap;
import java.util.Map;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;

/**
 * A named place in the song, at the start of a bar (counted from 1): a part of the song begins there.
 *
 * @param needsClick whether everybody plays that part to the click
 */
public record Marker(MarkerId id, String name, int bar, boolean needsClick) implements Part {

    /** A part that can do without a click. */
    public Marker(MarkerId id, String name, int bar) {
        this(id, name, bar, false);
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Marker " + name;
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("name", name);
        traits.put("bar", String.valueOf(bar));
        traits.put("needs a click", PartNames.yesNo(needsClick));
        return traits;
    }
}
