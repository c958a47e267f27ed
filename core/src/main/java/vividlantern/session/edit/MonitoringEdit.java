package vividlantern.session.edit;

import java.util.Optional;
import vividlantern.basics.Refused;
import vividlantern.rig.Rig;
import vividlantern.session.Monitoring;
import vividlantern.session.Session;
import vividlantern.session.SourceKind;

/** Changes of what holds for everybody's monitoring. */
public sealed interface MonitoringEdit extends Edit {

    /** Says how late a kind of source may be heard by who plays it: 0.5 to 100 ms, in steps of 0.1. */
    record SetTolerance(SourceKind source, double ms) implements MonitoringEdit {

        public static final double LEAST_MS = 0.5;
        public static final double MOST_MS = 100;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!(ms >= LEAST_MS && ms <= MOST_MS)) {
                throw new Refused("A tolerance lies between 0.5 and 100 ms; " + ms + " does not.", "ms");
            }
            return session.withMonitoring(Optional.of(session.monitored().tolerating(source, inSteps())));
        }

        private double inSteps() {
            return Math.rint(10 * ms) / 10;
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Monitoring: " + source.words() + " up to " + inSteps() + " ms late";
        }
    }

    /** Says what a sine may reach at any ear: 70 to 120 dB SPL, in steps of 1. */
    record SetEarMaximum(double spl) implements MonitoringEdit {

        public static final double LEAST_SPL = 70;
        public static final double MOST_SPL = 120;

        @Override
        public Session applyTo(Session session, Rig rig) {
            if (!(spl >= LEAST_SPL && spl <= MOST_SPL)) {
                throw new Refused("The most at an ear lies between 70 and 120 dB SPL; " + spl + " does not.", "spl");
            }
            return session.withMonitoring(Optional.of(session.monitored().upTo(Math.rint(spl))));
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Monitoring: up to " + Math.round(spl) + " dB SPL at any ear";
        }
    }

    /** Goes on to record or to mix, with the buffer that is remembered for it. */
    record SetPurpose(Monitoring.Purpose purpose) implements MonitoringEdit {

        @Override
        public Session applyTo(Session session, Rig rig) {
            Monitoring next = session.monitored().at(purpose);
            Session there = session.withMonitoring(Optional.of(next));
            return new SessionEdit.SetBuffer(SessionEdit.SetBuffer.nearest(rig, next.bufferFor(purpose)))
                    .applyTo(there, rig);
        }

        @Override
        public String summary(Session session, Rig rig) {
            return "Session: buffer " + (purpose == Monitoring.Purpose.RECORD ? "to record" : "to mix");
        }
    }

    /** Refuses one that no edit would have let in. */
    static void check(Monitoring monitoring, Session session, Rig rig) {
        new SetEarMaximum(monitoring.earMaximum()).applyTo(session, rig);
        monitoring.tolerances().forEach(each -> new SetTolerance(each.kind(), each.ms()).applyTo(session, rig));
        Rules.requireDifferent(
                monitoring.tolerances(), Monitoring.Tolerance::kind, "tolerances are of one kind of source");
        Rules.buffer(monitoring.recordBuffer(), "monitoring");
        Rules.buffer(monitoring.mixBuffer(), "monitoring");
    }
}
