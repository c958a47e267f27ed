package vividlantern.mix;

import java.util.Set;

/**
 * What is happening rather than wanted, as far as it decides what is heard.
 *
 * @param silentInputs the engine's inputs that nobody hears while a switch is thrown at their preamps
 */
public record LiveState(boolean playing, boolean headphonesCut, Set<Integer> silentInputs) {

    public static final LiveState STOPPED = new LiveState(false, false, Set.of());
    public static final LiveState PLAYING = STOPPED.playing(true);

    public LiveState {
        silentInputs = Set.copyOf(silentInputs);
    }

    public LiveState playing(boolean now) {
        return new LiveState(now, headphonesCut, silentInputs);
    }

    public LiveState cut(boolean now) {
        return new LiveState(playing, now, silentInputs);
    }

    public LiveState silencing(Set<Integer> inputs) {
        return new LiveState(playing, headphonesCut, inputs);
    }
}
