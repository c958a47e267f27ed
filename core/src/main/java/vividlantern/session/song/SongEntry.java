package vividlantern.session.song;

import java.util.LinkedHashMap;
import java.util.Map;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.SessionId;
import vividlantern.units.PlainNumber;

/**
 * What the song list says of a session's song. The sessions of one production make a list; each is one song of it.
 *
 * @param production the session with which the production began
 * @param place where in the list it stands; the lower, the earlier
 * @param key as musicians write it: "D", "F# minor", or nothing
 */
public record SongEntry(SessionId production, double place, String key, String notes) implements Part {

    /** The song of a session that stands alone. */
    public static SongEntry alone(SessionId session) {
        return new SongEntry(session, 1, "", "");
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Song list";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("place", PlainNumber.of(place));
        traits.put("key", key);
        traits.put("notes", notes);
        return traits;
    }
}
