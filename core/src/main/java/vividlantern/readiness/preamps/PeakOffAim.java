package vividlantern.readiness.preamps;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.mix.PlayedPeaks;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.mix.PlayedPeaks.Verdict;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Port;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.units.Decibels;

/** An input clipped while the song played, or came in far too quiet. */
public final class PeakOffAim implements Rule {

    private final Map<InputId, Played> played;

    public PeakOffAim(Map<InputId, Played> played) {
        this.played = played;
    }

    @Override
    public String together(int count) {
        return count + " inputs clip, or are far too quiet.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.inputs().stream()
                .flatMap(input -> Optional.ofNullable(played.get(input.id())).stream()
                        .flatMap(heard -> finding(rig, input, heard)))
                .toList();
    }

    private static Stream<Finding> finding(Rig rig, Input input, Played heard) {
        return switch (heard.verdict()) {
            case CLIPS ->
                Stream.of(finding(
                        rig,
                        input,
                        heard,
                        Keys.of("clips", input.id(), gain(input)),
                        Keys.name(input) + ", clips: it reached full scale while the song played.",
                        "What is clipped stays so in the take."));
            case FAINT ->
                Stream.of(
                        finding(
                                rig,
                                input,
                                heard,
                                Keys.of("faint", input.id(), gain(input)),
                                Keys.name(input) + ", is far too quiet: " + dbfs(heard.dbfs())
                                        + " at most while the song played.",
                                "Noise comes up with it later. If it is no source that was heard but its neighbours, leave it."));
            case NOTHING -> Stream.empty();
        };
    }

    private static String gain(Input input) {
        return input.gainDb().map(String::valueOf).orElse("not-set");
    }

    private static String dbfs(double value) {
        return Decibels.of(Math.rint(value)) + "FS";
    }

    private static Finding finding(Rig rig, Input input, Played heard, String key, String sentence, String why) {
        Optional<Port> preamp = rig.preampsOf(input.ports()).stream().findFirst();
        double wanted = PlayedPeaks.AIM_DBFS - Math.min(0, heard.dbfs());
        double before =
                preamp.map(port -> input.gainDb().orElse(port.gain().minDb())).orElse(0.0);
        Optional<Double> gain = preamp.map(port -> port.gain().settle(before + wanted))
                .filter(settled -> settled < before == wanted < 0 && settled != before);
        if (gain.isPresent()) {
            return Finding.fixable(
                            key,
                            sentence,
                            why,
                            Keys.about(input),
                            "Write " + Decibels.of(gain.get()),
                            List.of(new SetInputGain(input.id(), gain.get())))
                    .likeOthers("Write the gain for each that would do");
        }
        boolean clips = heard.verdict() == Verdict.CLIPS;
        if (preamp.filter(port -> port.padDb() > 0).isPresent() && input.pad() != clips) {
            return Finding.fixable(
                    key,
                    sentence,
                    why,
                    Keys.about(input),
                    clips ? "Switch the pad on" : "Switch the pad off",
                    List.of(new SetInputPad(input.id(), clips)));
        }
        return Finding.byHand(
                key,
                sentence,
                why,
                Keys.about(input),
                clips
                        ? "Turn it down where it comes from."
                        : "Turn it up where it comes from, or move the mic closer.");
    }
}
