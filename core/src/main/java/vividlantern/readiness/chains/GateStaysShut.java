package vividlantern.readiness.chains;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import vividlantern.mix.PlayedPeaks.Played;
import vividlantern.patch.FreePorts;
import vividlantern.readiness.Finding;
import vividlantern.readiness.Keys;
import vividlantern.readiness.Rule;
import vividlantern.rig.Rig;
import vividlantern.session.InputId;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.EffectNumber;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.Inserted;
import vividlantern.session.edit.ChainEdit.SwitchEffect;
import vividlantern.units.Decibels;

/**
 * A gate is printed that opens at a level which nothing reached while the song played: the take would be silent. Only a gate that stands
 * first is judged, since what others leave of the level is not known.
 */
public final class GateStaysShut implements Rule {

    private final Map<InputId, Played> played;

    public GateStaysShut(Map<InputId, Played> played) {
        this.played = played;
    }

    @Override
    public String together(int count) {
        return count + " printed gates never opened.";
    }

    @Override
    public List<Finding> find(Session session, Rig rig, FreePorts free) {
        return session.tracks().stream()
                .flatMap(track -> first(session.chainsOf(track.id()).printed()).stream()
                        .filter(effect -> effect.type() == EffectType.GATE)
                        .flatMap(gate -> finding(session, track, gate)))
                .toList();
    }

    /** What works first in a chain. */
    private static Optional<Inserted> first(Chain chain) {
        return chain.effects().stream().filter(chain::works).findFirst();
    }

    private Stream<Finding> finding(Session session, Track track, Inserted gate) {
        double opensAt = gate.number(EffectNumber.THRESHOLD);
        List<Played> heard = track.feeds().stream()
                .flatMap(feed -> session.inputOf(feed).stream())
                .flatMap(input -> Optional.ofNullable(played.get(input.id())).stream())
                .toList();
        OptionalDouble highest = heard.stream().mapToDouble(Played::dbfs).max();
        boolean sounds = heard.stream().anyMatch(Played::sounded);
        if (!sounds || highest.getAsDouble() >= opensAt) {
            return Stream.empty();
        }
        return Stream.of(Finding.fixable(
                Keys.of("gate-shut", track.id(), gate.id() + "@" + opensAt),
                "Track " + track.name() + ": the printed gate never opened; it opens at " + dbfs(opensAt)
                        + ", and no more than " + dbfs(Math.rint(highest.getAsDouble()))
                        + " came in while the song played.",
                "What a gate holds back is not in the recording.",
                Keys.about(track),
                "Switch the gate off",
                List.of(new SwitchEffect(track.id(), gate.id(), false))));
    }

    private static String dbfs(double value) {
        return Decibels.of(value) + "FS";
    }
}
