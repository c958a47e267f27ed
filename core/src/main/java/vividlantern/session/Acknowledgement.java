package vividlantern.session;

import java.util.Map;

/**
 * Somebody's word that a finding of readiness is on purpose. The key names the finding with all it rests on, so that the
 * word holds until that changes.
 */
public record Acknowledgement(String key, String reason) implements Part {
    @Override
    public String title(PartNames names, PartKey key) {
        return "Acknowledged finding";
    }

    @Override
    public Map<String, String> traits(PartNames names) {
        return Map.of("reason", reason);
    }
}
