package vividlantern.session.cue;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import vividlantern.rig.PortId;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartNames;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;

/**
 * What a performer wears on the ears, and at which outlet of a headphone amp it is plugged in; of either nobody may have said
 * anything.
 */
public record Worn(PerformerId performer, Optional<Headphones> headphones, Optional<PortId> outlet) implements Part {

    /** Whether nothing is said. */
    public boolean isNothing() {
        return headphones.isEmpty() && outlet.isEmpty();
    }

    @Override
    public String title(PartNames names, PartKey key) {
        return "Headphones of " + names.performer(performer);
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        Map<String, String> traits = new LinkedHashMap<>();
        traits.put("headphones", headphones.map(Headphones::words).orElse("not known"));
        traits.put("outlet", outlet.map(names::port).orElse("not known"));
        return traits;
    }

    @Override
    public boolean standsIn(Session session) {
        return session.find(performer).isPresent();
    }
}
