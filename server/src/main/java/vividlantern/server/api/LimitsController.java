package vividlantern.server.api;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import vividlantern.basics.Texts;
import vividlantern.ears.OutletNote;
import vividlantern.mix.PlayedPeaks;
import vividlantern.mix.TestSignal;
import vividlantern.mix.effects.EffectKind;
import vividlantern.mix.effects.EffectKinds;
import vividlantern.rig.Device;
import vividlantern.rig.WideGroup;
import vividlantern.session.ControlRoomSource;
import vividlantern.session.cue.Corner;
import vividlantern.session.cue.Echo;
import vividlantern.session.cue.Headphones;
import vividlantern.session.edit.BringEdit.WriteBringLine;
import vividlantern.session.edit.ControlRoomEdit.SetDim;
import vividlantern.session.edit.ControlRoomEdit.SetTalkbackDim;
import vividlantern.session.edit.MonitoringEdit.SetEarMaximum;
import vividlantern.session.edit.MonitoringEdit.SetTolerance;
import vividlantern.session.edit.PerformerEdit.SetEarDistance;
import vividlantern.session.edit.SongEdit.SetClick;
import vividlantern.session.song.ClickPattern;

/** Which numbers are taken, for whoever lets somebody type one. */
@RestController
class LimitsController {

    /** From where to where a number goes, both of them included. */
    record Range(double from, double to) {

        private static Range of(Corner.Range corner) {
            return new Range(corner.lowestHz(), corner.highestHz());
        }
    }

    /**
     * A kind of effect.
     *
     * @param word what it is called
     */
    record ListedEffect(String word, List<EffectKind.Parameter> parameters) {}

    /**
     * A kind of device.
     *
     * @param converts whether it makes numbers of a signal or a signal of numbers, and so has a clock and a latency
     */
    record ListedDevice(Device.Kind kind, boolean converts) {}

    /** What a maker can say of headphones. */
    record HeadphoneRanges(Range ohms, Range dbPerMw, Range isolationDb) {}

    /**
     * The ranges of what is typed.
     *
     * @param textLength how many characters a text has at most
     * @param decayMs of a click voice's stroke
     * @param barsUntilSilent after how many bars a click can stop
     * @param clickVoices how many voices a click has at most
     * @param bringCount how many of one thing can be brought
     * @param portsOfAGroup how many ports side by side make a group
     * @param deviceKinds what a device can be
     * @param echoFallDb by how much each repeat of an echo is quieter
     * @param earMaximumSpl what a sine may reach at any ear
     * @param outletDb by how much an outlet of a headphone amp is turned down
     * @param peakAimDbfs between what an input's peaks should come in
     * @param sourceChannels of what the control room can hear
     */
    record Limits(
            int textLength,
            Range highPassHz,
            Range lowPassHz,
            Range toleranceMs,
            Range earMetres,
            Range dimDb,
            Range talkbackDimDb,
            Range toneHz,
            Range outletDb,
            Range peakAimDbfs,
            Range echoFallDb,
            Range earMaximumSpl,
            HeadphoneRanges headphones,
            Range sourceChannels,
            Range pitchHz,
            Range decayMs,
            Range countInBars,
            Range barsUntilSilent,
            int clickVoices,
            Range bringCount,
            Range portsOfAGroup,
            List<ListedDevice> deviceKinds,
            List<ListedEffect> effects) {}

    @GetMapping("/api/limits")
    Limits limits() {
        return new Limits(
                Texts.LONGEST,
                Range.of(Corner.Range.HIGH_PASS),
                Range.of(Corner.Range.LOW_PASS),
                new Range(SetTolerance.LEAST_MS, SetTolerance.MOST_MS),
                new Range(0, SetEarDistance.MOST_METRES),
                new Range(SetDim.LEAST_DB, SetDim.MOST_DB),
                new Range(0, SetTalkbackDim.MOST_DB),
                new Range(TestSignal.LOWEST_HERTZ, TestSignal.HIGHEST_HERTZ),
                new Range(0, OutletNote.MOST_TURNED_DOWN_DB),
                new Range(PlayedPeaks.LOWEST_AIM_DBFS, PlayedPeaks.HIGHEST_AIM_DBFS),
                new Range(Echo.LEAST_FALL_DB, Echo.MOST_FALL_DB),
                new Range(SetEarMaximum.LEAST_SPL, SetEarMaximum.MOST_SPL),
                new HeadphoneRanges(
                        new Range(Headphones.LEAST_OHMS, Headphones.MOST_OHMS),
                        new Range(Headphones.LEAST_DB_PER_MW, Headphones.MOST_DB_PER_MW),
                        new Range(0, Headphones.MOST_ISOLATION_DB)),
                new Range(1, ControlRoomSource.MAX_WIDTH),
                new Range(SetClick.LOWEST_PITCH_HZ, SetClick.HIGHEST_PITCH_HZ),
                new Range(SetClick.SHORTEST_DECAY_MS, SetClick.LONGEST_DECAY_MS),
                new Range(0, ClickPattern.MOST_COUNT_IN_BARS),
                new Range(1, ClickPattern.MOST_BARS_UNTIL_SILENT),
                ClickPattern.MOST_VOICES,
                new Range(1, WriteBringLine.MOST),
                new Range(WideGroup.LEAST, WideGroup.MOST),
                Stream.of(Device.Kind.values())
                        .map(kind -> new ListedDevice(kind, kind.converts()))
                        .toList(),
                EffectKinds.ALL.stream()
                        .map(kind -> new ListedEffect(kind.word(), kind.parameters()))
                        .toList());
    }
}
