package vividlantern.session.edit;

import java.util.List;
import java.util.Optional;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Rig;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;

/** Changes of who plays. */
public sealed interface PerformerEdit extends Edit {

    PerformerId performer();

    /** Adds somebody who plays and listens, at the end of the list. */
    record AddPerformer(PerformerId performer, String name, String place) implements PerformerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Ids.requireNew(performer.value(), session.find(performer).isPresent(), "id");
            String named = Texts.name(name, "A performer", "name");
            double position = session.performers().stream()
                            .mapToDouble(Performer::position)
                            .max()
                            .orElse(0)
                    + 1;
            return session.plus(Performer.of(performer, position, named, Texts.optional(place, "place"))
                    .called(named, Performer.badgeFor(named, session.performers())));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + name + " added";
        }
    }

    /** Gives a performer another name and the badge that goes with it. */
    record RenamePerformer(PerformerId performer, String name) implements PerformerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Performer was = Rules.known(session, performer);
            String named = Texts.name(name, "A performer", "name");
            List<Performer> others = session.performers().stream()
                    .filter(each -> !each.equals(was))
                    .toList();
            return session.change(performer, each -> each.called(named, Performer.badgeFor(named, others)));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + Rules.name(session, performer) + " renamed to " + name;
        }
    }

    /** Says what a performer plays, which decides how late they may hear themselves; empty to take it from their inputs. */
    record SetPlays(PerformerId performer, Optional<SourceKind> plays) implements PerformerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            return session.change(performer, each -> each.playing(plays));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + Rules.name(session, performer) + " plays "
                    + plays.map(SourceKind::words).orElse("what their inputs say");
        }
    }

    /** Says where a performer stands or sits: a room, a corner of it; "" if nobody knows yet. */
    record SetPerformerPlace(PerformerId performer, String place) implements PerformerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            String where = Texts.optional(place, "place");
            return session.change(performer, each -> each.at(where));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + Rules.name(session, performer)
                    + (place.isBlank() ? " has no place" : "'s place is " + place);
        }
    }

    /** Says how far a performer's ears are from the speaker that plays their cue, up to 30 m; 0 with headphones. */
    record SetEarDistance(PerformerId performer, double metres) implements PerformerEdit {

        public static final double MOST_METRES = 30;

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            if (!(metres >= 0 && metres <= MOST_METRES)) {
                throw new Refused("Ears are up to 30 m from their speaker; " + metres + " is not.", "metres");
            }
            return session.change(performer, each -> each.away(metres));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + Rules.name(session, performer)
                    + (metres == 0 ? " wears headphones" : " is " + metres + " m from the speaker");
        }
    }

    /** Takes a performer out; their inputs stay, played by nobody, and they listen to no cue. */
    record RemovePerformer(PerformerId performer) implements PerformerEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            return session.withPerformers(session.performers().stream()
                            .filter(each -> !each.id().equals(performer))
                            .toList())
                    .withInputs(session.inputs().stream()
                            .map(input -> input.performer().equals(Optional.of(performer))
                                    ? input.playedBy(Optional.empty())
                                    : input)
                            .toList())
                    .withCues(session.cues().stream()
                            .map(cue -> cue.heardBy(cue.listeners().stream()
                                    .filter(each -> !each.equals(performer))
                                    .toList()))
                            .toList())
                    .withWorn(session.worn().stream()
                            .filter(each -> !each.performer().equals(performer))
                            .toList());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Performer: " + Rules.name(session, performer) + " removed";
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Performer performer, Session session, Rig rig) {
        Ids.require(performer.id().value(), "performers");
        new RenamePerformer(performer.id(), performer.name()).applyTo(session, rig);
        new SetEarDistance(performer.id(), performer.metres()).applyTo(session, rig);
        Texts.optional(performer.place(), "performers");
        Rules.position(performer.position(), "performers");
        if (performer.badge().length() > Performer.LONGEST_BADGE) {
            throw new Refused(
                    "The badge of " + performer.name() + " is longer than " + Performer.LONGEST_BADGE + " letters.",
                    "performers");
        }
    }
}
