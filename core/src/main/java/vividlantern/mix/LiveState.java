package vividlantern.mix;

import java.util.Optional;
import java.util.Set;

/**
 * What is happening rather than wanted, as far as it decides what is heard.
 *
 * @param silentInputs the engine's inputs that nobody hears while a switch is thrown at their preamps
 * @param controlRoom what the control room listens to; empty where nobody sits there, as for a file: then the main mix leaves
 *     as it is
 */
public record LiveState(
        boolean playing, boolean headphonesCut, Set<Integer> silentInputs, Optional<ControlRoomState> controlRoom) {

    public static final LiveState STOPPED = new LiveState(false, false, Set.of(), Optional.empty());
    public static final LiveState PLAYING = STOPPED.playing(true);

    public LiveState {
        silentInputs = Set.copyOf(silentInputs);
    }

    public LiveState playing(boolean now) {
        return new LiveState(now, headphonesCut, silentInputs, controlRoom);
    }

    public LiveState cut(boolean now) {
        return new LiveState(playing, now, silentInputs, controlRoom);
    }

    public LiveState silencing(Set<Integer> inputs) {
        return new LiveState(playing, headphonesCut, inputs, controlRoom);
    }

    public LiveState in(ControlRoomState room) {
        return new LiveState(playing, headphonesCut, silentInputs, Optional.of(room));
    }

    /** What is still so when the engine begins anew: headphones that were cut stay cut, speakers that were dimmed stay so. */
    public LiveState begunAnew() {
        return new LiveState(false, headphonesCut, Set.of(), controlRoom);
    }
}
