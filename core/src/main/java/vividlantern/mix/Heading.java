package vividlantern.mix;

import java.util.Map;

/**
 * Where the stations of a layout head, and the buses from which that follows.
 *
 * @param buses by their keys
 * @param goals in the order of the stations
 */
record Heading(Map<String, MixPlan.Bus> buses, Map<Station, Goals> goals) {

    Goals[] inOrder() {
        return goals.values().toArray(Goals[]::new);
    }
}
