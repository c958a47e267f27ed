package vividlantern.session.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.chain.Chain;
import vividlantern.session.chain.Chains;
import vividlantern.session.chain.EffectId;
import vividlantern.session.chain.EffectRange;
import vividlantern.session.chain.EffectType;
import vividlantern.session.chain.EffectValue;
import vividlantern.session.chain.Inserted;

/** Changes of what the sound of tracks passes. */
public sealed interface ChainEdit extends Edit {

    TrackId track();

    private static Session with(Session session, Chains changed) {
        Stream<Chains> others =
                session.chains().stream().filter(each -> !each.track().equals(changed.track()));
        Stream<Chains> own = changed.areNothing() ? Stream.empty() : Stream.of(changed);
        return session.withChains(Stream.concat(others, own).toList());
    }

    private static Inserted known(Chains chains, EffectId id, Session session) {
        return chains.effects()
                .filter(each -> each.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "There is no effect '" + id + "' in the chains of " + Rules.name(session, chains.track()) + ".",
                        "effect"));
    }

    /** As in "Fiddle, compressor". */
    private static String name(Session session, TrackId track, EffectId effect) {
        String word = session.chainsOf(track)
                .effects()
                .filter(each -> each.id().equals(effect))
                .findFirst()
                .map(each -> each.type().word())
                .orElse(effect.value());
        return Rules.name(session, track) + ", " + word;
    }

    private static void requireRoom(Track track, Chains.Place place, Chain chain) {
        if (place == Chains.Place.PRINTED && !chain.isEmpty() && !Chains.isPrintable(track)) {
            throw new Refused(
                    track.name() + " is not recorded, so nothing can be printed. Put the effect behind the line, heard"
                            + " only.",
                    "place");
        }
        if (chain.effects().size() > Chain.MOST) {
            throw new Refused(
                    "A chain holds at most " + Chain.MOST + " effects; these would be "
                            + chain.effects().size() + ".",
                    "effects");
        }
    }

    private static Session changed(Session session, TrackId track, Chains.Place place, Chain chain) {
        requireRoom(Rules.known(session, track), place, chain);
        return with(session, session.chainsOf(track).with(place, chain));
    }

    /** An effect at a place in a chain: before another one, or at the end. */
    private static Chain placed(Chain chain, Inserted effect, Optional<EffectId> before) {
        List<Inserted> all = new ArrayList<>(chain.effects());
        int at = before.flatMap(chain::find).map(all::indexOf).orElse(all.size());
        all.add(at, effect);
        return chain.with(all);
    }

    private static Session replaced(Session session, TrackId track, Inserted effect) {
        Chains chains = session.chainsOf(track);
        Chains.Place place = chains.placeOf(effect.id()).orElseThrow();
        return with(
                session,
                chains.with(
                        place,
                        chains.at(place)
                                .with(chains.at(place).effects().stream()
                                        .map(each -> each.id().equals(effect.id()) ? effect : each)
                                        .toList())));
    }

    /** Puts a new effect into a chain, before another one or at the end. It is on, its numbers where they begin. */
    record AddEffect(TrackId track, Chains.Place place, EffectType type, Optional<EffectId> before)
            implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            Chains chains = session.chainsOf(track);
            before.ifPresent(id -> known(chains, id, session));
            Set<String> taken = chains.effects().map(each -> each.id().value()).collect(Collectors.toSet());
            Inserted added = Inserted.of(new EffectId(Ids.fresh(type.word(), taken::contains)), type);
            return changed(session, track, place, placed(chains.at(place), added, before));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + type.word() + " added, " + place.words();
        }
    }

    /** Takes an effect out of its chain. */
    record RemoveEffect(TrackId track, EffectId effect) implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            Chains chains = session.chainsOf(track);
            Chains.Place place =
                    chains.placeOf(known(chains, effect, session).id()).orElseThrow();
            return with(session, chains.with(place, without(chains.at(place), effect)));
        }

        private static Chain without(Chain chain, EffectId effect) {
            return chain.with(chain.effects().stream()
                    .filter(each -> !each.id().equals(effect))
                    .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return ChainEdit.name(session, track, effect) + ": removed";
        }
    }

    /** Puts an effect elsewhere: into either chain, before another one or at the end. */
    record MoveEffect(TrackId track, EffectId effect, Chains.Place place, Optional<EffectId> before)
            implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Track of = Rules.known(session, track);
            Chains was = session.chainsOf(track);
            Inserted moved = known(was, effect, session);
            before.ifPresent(id -> known(was, id, session));
            if (before.equals(Optional.of(effect))) {
                return session;
            }
            Chains.Place from = was.placeOf(effect).orElseThrow();
            Chains without = was.with(from, RemoveEffect.without(was.at(from), effect));
            Chains there = without.with(place, placed(without.at(place), moved, before));
            requireRoom(of, place, there.at(place));
            return with(session, there);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return ChainEdit.name(session, track, effect) + ": moved, " + place.words();
        }
    }

    /** Switches an effect on or off; it stays where it is, and as it is set. */
    record SwitchEffect(TrackId track, EffectId effect, boolean on) implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            return replaced(
                    session,
                    track,
                    known(session.chainsOf(track), effect, session).on(on));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return ChainEdit.name(session, track, effect) + ": " + (on ? "on" : "off");
        }
    }

    /** Switches a chain off as a whole, or on again; its effects keep their own switches. */
    record SwitchChain(TrackId track, Chains.Place place, boolean on) implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            return changed(
                    session, track, place, session.chainsOf(track).at(place).on(on));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": what is " + place.words() + " " + (on ? "on" : "off");
        }
    }

    /** Sets some numbers of an effect; those that are not named stay. */
    record SetEffect(TrackId track, EffectId effect, List<EffectValue> numbers) implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            return replaced(
                    session,
                    track,
                    known(session.chainsOf(track), effect, session).with(numbers));
        }

        @Override
        public String summary(Session session, Rig rig) {
            String how = session.chainsOf(track)
                    .effects()
                    .filter(each -> each.id().equals(effect))
                    .findFirst()
                    .map(was -> numbers.stream()
                            .flatMap(each -> was.type().ranges().stream()
                                    .filter(range -> range.number() == each.number())
                                    .map(range -> words(range, each.value())))
                            .collect(Collectors.joining(", ")))
                    .orElse("");
            return ChainEdit.name(session, track, effect) + ": " + how;
        }

        private static String words(EffectRange range, double value) {
            return range.word() + " " + range.shown(value);
        }
    }

    /** Gives a track a whole chain in the place of the one it has: a starting point, or another track's. */
    record SetChain(TrackId track, Chains.Place place, Chain chain) implements ChainEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, track);
            Chains chains = session.chainsOf(track);
            Set<String> taken =
                    chains
                            .at(place == Chains.Place.PRINTED ? Chains.Place.HEARD : Chains.Place.PRINTED)
                            .effects()
                            .stream()
                            .map(each -> each.id().value())
                            .collect(Collectors.toCollection(HashSet::new));
            List<Inserted> fresh = new ArrayList<>();
            for (Inserted each : chain.effects()) {
                String id = taken.contains(each.id().value())
                        ? Ids.fresh(each.type().word(), taken::contains)
                        : each.id().value();
                Ids.require(id, "chain");
                taken.add(id);
                fresh.add(each.as(new EffectId(id)).with(each.numbers()));
            }
            return changed(session, track, place, chain.with(fresh));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, track) + ": " + place.words() + " "
                    + (chain.isEmpty() ? "nothing" : chain.words());
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Chains chains, Session session, Rig rig) {
        Ids.require(chains.track().value(), "chains");
        Session empty = session.withChains(List.of());
        for (Chains.Place place : Chains.Place.values()) {
            new SetChain(chains.track(), place, chains.at(place)).applyTo(empty, rig);
        }
        Rules.requireDifferent(
                chains.effects().toList(),
                Inserted::id,
                "effects of " + Rules.name(session, chains.track()) + " have the same id");
        chains.effects().forEach(each -> {
            if (!each.with(each.numbers()).equals(each)) {
                throw new Refused(
                        "The " + each.type().word() + " of " + Rules.name(session, chains.track())
                                + " has numbers between its steps, or not all that it needs.",
                        "chains");
            }
        });
    }
}
