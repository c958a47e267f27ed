package vividlantern.rig.edit;

import vividlantern.basics.Refused;
import vividlantern.rig.Mic;
import vividlantern.rig.MicId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPartKey;

/** Changes of the mic locker. */
public sealed interface MicEdit extends RigEdit {

    /** Puts a mic or DI into the locker, or describes one that is there anew. */
    record PutMic(Mic mic) implements MicEdit {

        @Override
        public Rig applyTo(Rig rig) {
            Mic put = RigRules.mic(mic);
            return RigRules.with(rig, RigPartKey.of(put), put);
        }

        @Override
        public String summary(Rig rig) {
            return mic.count() + " × " + mic.listed();
        }
    }

    /** Takes a mic or DI out of the locker. */
    record RemoveMic(MicId mic) implements MicEdit {

        @Override
        public Rig applyTo(Rig rig) {
            return RigRules.without(rig, RigPartKey.of(known(rig)));
        }

        @Override
        public String summary(Rig rig) {
            return known(rig).name() + " removed from the locker";
        }

        private Mic known(Rig rig) {
            return rig.mics().stream()
                    .filter(each -> each.id().equals(mic))
                    .findFirst()
                    .orElseThrow(() -> new Refused("There is no mic '" + mic + "' in the locker.", "mic"));
        }
    }
}
