package vividlantern.readiness.chains;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.mix.PlayedPeaks;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.ChainEdit.SetChain;
import vividlantern.units.Decibels;

/** What came in was clean, and the printed chain made it reach full scale, where a recording clips. */
public final class PrintClips implements Rule {

    private final Map<InputId, Played> played;
    private final Map<TrackId, Played> printed;

    public PrintClips(Map<InputId, Played> played, Map<TrackId, Played> printed) {
        this.played = played;
        this.printed = printed;
    }

    @Override
    public String together(int count) {
        return count + " printed chains clip.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.tracks().stream()
                .flatMap(track -> Optional.ofNullable(printed.get(track.id()))
                        .filter(Played::clips)
                        .filter(heard -> cameInClean(session, track))
                        .map(heard -> finding(session, track, heard.dbfs()))
                        .stream())
                .toList();
    }

    private boolean cameInClean(Session session, Track track) {
        Stream<Input> inputs = track.feeds().stream().flatMap(feed -> session.inputOf(feed).stream());
        return inputs.flatMap(input -> Stream.ofNullable(played.get(input.id())))
                .noneMatch(Played::clips);
    }

    private static Finding finding(Session session, Track track, double dbfs) {
        double less = Math.ceil(dbfs - PlayedPeaks.HIGHEST_AIM_DBFS);
        String key = Keys.of(
                "print-clips",
                track.id(),
                session.chainsOf(track.id()).printed().words());
        String sentence = "Track " + track.name() + ": the printed chain clips; it reached "
                + Decibels.of(Math.rint(dbfs)) + "FS while the song played.";
        String why = "What is clipped stays so in the take.";
        return lowered(session.chainsOf(track.id()), less)
                .map(chain -> Finding.fixable(
                                key,
                                sentence,
                                why,
                                Keys.about(track),
                                "Print it " + (int) less + " dB lower",
                                List.of(new SetChain(track.id(), Chains.Place.PRINTED, chain)))
                        .likeOthers("Print each lower"))
                .orElseGet(() ->
                        Finding.byHand(key, sentence, why, Keys.about(track), "Turn the last of its effects down."));
    }

    /** A printed chain whose end is lower, by the gain that stands there or by one more; empty if that cannot be. */
    private static Optional<Chain> lowered(Chains chains, double less) {
        List<Inserted> effects = new ArrayList<>(chains.printed().effects());
        Inserted last = effects.get(effects.size() - 1);
        if (last.type() == EffectType.GAIN && chains.printed().works(last)) {
            effects.remove(last);
        } else {
            Set<String> taken = chains.effects().map(each -> each.id().value()).collect(Collectors.toSet());
            last = Inserted.of(new EffectId(Ids.fresh(EffectType.GAIN.word(), taken::contains)), EffectType.GAIN);
        }
        double level = last.number(EffectNumber.LEVEL) - less;
        double lowest = EffectType.GAIN.range(EffectNumber.LEVEL).orElseThrow().from();
        if (effects.size() == Chain.MOST || level < lowest) {
            return Optional.empty();
        }
        effects.add(last.with(List.of(new EffectValue(EffectNumber.LEVEL, level))));
        return Optional.of(chains.printed().with(effects));
    }
}
