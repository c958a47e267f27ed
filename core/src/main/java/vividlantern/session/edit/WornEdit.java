package vividlantern.session.edit;

import java.util.Optional;
import java.util.stream.Stream;
import vividlantern.basics.Refused;
import vividlantern.basics.Texts;
import vividlantern.rig.Port;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.PerformerId;
import vividlantern.session.Session;
import vividlantern.session.cue.Headphones;
import vividlantern.session.cue.Worn;

/** Changes of what performers wear on their ears, and where it is plugged in. */
public sealed interface WornEdit extends Edit {

    PerformerId performer();

    private static Session with(Session session, Worn changed) {
        Stream<Worn> others =
                session.worn().stream().filter(each -> !each.performer().equals(changed.performer()));
        Stream<Worn> own = changed.isNothing() ? Stream.empty() : Stream.of(changed);
        return session.withWorn(Stream.concat(others, own).toList());
    }

    /** Says which headphones a performer wears; none takes back what was said. */
    record SetHeadphones(PerformerId performer, Optional<Headphones> headphones) implements WornEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            Optional<Headphones> checked = headphones.map(SetHeadphones::checked);
            return with(
                    session,
                    new Worn(performer, checked, session.wornBy(performer).outlet()));
        }

        private static Headphones checked(Headphones worn) {
            Rules.within(
                    worn.ohms(),
                    Headphones.LEAST_OHMS,
                    Headphones.MOST_OHMS,
                    "The impedance of headphones in ohm",
                    "headphones/ohms");
            Rules.within(
                    worn.dbPerMw(),
                    Headphones.LEAST_DB_PER_MW,
                    Headphones.MOST_DB_PER_MW,
                    "The sensitivity of headphones in dB/mW",
                    "headphones/dbPerMw");
            Rules.within(
                    worn.isolationDb(),
                    0,
                    Headphones.MOST_ISOLATION_DB,
                    "What headphones isolate in dB",
                    "headphones/isolationDb");
            String name = Texts.name(worn.name(), "A pair of headphones", "headphones/name");
            return new Headphones(name, worn.ohms(), worn.dbPerMw(), worn.isolationDb());
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, performer) + ": headphones "
                    + headphones.map(Headphones::name).orElse("not known");
        }
    }

    /** Says at which outlet of a headphone amp a performer is plugged in; none takes back what was said. */
    record SetOutlet(PerformerId performer, Optional<PortId> outlet) implements WornEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Rules.known(session, performer);
            outlet.ifPresent(id -> requireOutlet(rig, id));
            return with(session, new Worn(performer, session.wornBy(performer).headphones(), outlet));
        }

        private static void requireOutlet(Rig rig, PortId id) {
            Port port = rig.port(id)
                    .orElseThrow(() -> new Refused("There is no port '" + id + "' in " + rig.name() + ".", "outlet"));
            if (!rig.isOutlet(port)) {
                throw new Refused(rig.label(id) + " is no outlet of a headphone amp.", "outlet");
            }
        }

        @Override
        public String summary(Session session, Rig rig) {
            return Rules.name(session, performer) + ": headphones at "
                    + outlet.map(rig::label).orElse("an outlet that is not known");
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Worn worn, Session session, Rig rig) {
        new SetHeadphones(worn.performer(), worn.headphones()).applyTo(session, rig);
    }
}
