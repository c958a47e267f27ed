package vividlantern.mix;

import java.util.Optional;
import java.util.Set;
import vividlantern.rig.StereoPair;
import vividlantern.session.cue.CueId;

/**
 * What is happening rather than wanted, as far as it decides what is heard.
 *
 * @param headphonesCut whether nobody hears anything
 * @param cutCues those that are not heard, each by itself
 * @param silentInputs the engine's inputs that nobody hears while a switch is thrown at their preamps
 * @param controlRoom what the control room listens to; empty where nobody sits there, as for a file: then the main mix leaves
 *     as it is
 * @param talk to whom the control room talks
 */
public record LiveState(
        boolean playing,
        boolean headphonesCut,
        Set<CueId> cutCues,
        Set<Integer> silentInputs,
        Optional<ControlRoomState> controlRoom,
        Talk talk) {

    public static final LiveState STOPPED =
            new LiveState(false, false, Set.of(), Set.of(), Optional.empty(), Talk.TO_NOBODY);
    public static final LiveState PLAYING = STOPPED.playing(true);

    public LiveState {
        cutCues = Set.copyOf(cutCues);
        silentInputs = Set.copyOf(silentInputs);
    }

    public LiveState playing(boolean now) {
        return new LiveState(now, headphonesCut, cutCues, silentInputs, controlRoom, talk);
    }

    public LiveState cut(boolean now) {
        return new LiveState(playing, now, cutCues, silentInputs, controlRoom, talk);
    }

    public LiveState cut(Set<CueId> cues) {
        return new LiveState(playing, headphonesCut, cues, silentInputs, controlRoom, talk);
    }

    /** Whether a cue is not heard, by itself or with all others. */
    public boolean isCut(CueId cue) {
        return headphonesCut || cutCues.contains(cue);
    }

    /** Whether a test signal leaves by a pair: performers hear nothing else there. */
    public boolean tests(StereoPair pair) {
        return controlRoom
                .flatMap(ControlRoomState::signal)
                .filter(signal -> signal.leavesBy(pair))
                .isPresent();
    }

    public LiveState silencing(Set<Integer> inputs) {
        return new LiveState(playing, headphonesCut, cutCues, inputs, controlRoom, talk);
    }

    public LiveState in(ControlRoomState room) {
        return new LiveState(playing, headphonesCut, cutCues, silentInputs, Optional.of(room), talk);
    }

    public LiveState talking(Talk to) {
        return new LiveState(playing, headphonesCut, cutCues, silentInputs, controlRoom, to);
    }

    /** What is still so when the engine begins anew: headphones that were cut stay cut, speakers that were dimmed stay so; nobody talks. */
    public LiveState begunAnew() {
        return new LiveState(false, headphonesCut, cutCues, Set.of(), controlRoom, Talk.TO_NOBODY);
    }
}
