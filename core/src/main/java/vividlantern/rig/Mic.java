package vividlantern.rig;

/**
 * A mic or DI box of the locker, one line for all of the same model.
 *
 * @param count how many of it there are
 * @param sensitivityMvPa what it gives at 94 dB SPL, in millivolts a pascal; 0 for a DI, which hears no air
 * @param connector what its cable plugs into, as in "XLR"
 */
public record Mic(MicId id, String name, Kind kind, int count, double sensitivityMvPa, String connector)
        implements RigPart {

    /** What +48 V is to a mic. */
    public enum Phantom {
        NEEDED("needs +48 V"),
        /** It may be damaged by it. */
        DANGEROUS("never +48 V"),
        INDIFFERENT("no +48 V");

        private final String words;

        Phantom(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public enum Kind {
        LARGE_CONDENSER("large condenser", Phantom.NEEDED),
        SMALL_CONDENSER("small condenser", Phantom.NEEDED),
        RIBBON("ribbon", Phantom.DANGEROUS),
        DYNAMIC("dynamic", Phantom.INDIFFERENT),
        PASSIVE_DI("passive DI", Phantom.INDIFFERENT),
        ACTIVE_DI("active DI", Phantom.NEEDED);

        private final String words;
        private final Phantom phantom;

        Kind(String words, Phantom phantom) {
            this.words = words;
            this.phantom = phantom;
        }

        public String words() {
            return words;
        }

        public Phantom phantom() {
            return phantom;
        }
    }

    /** As it stands in an input list: "large condenser, Wren L". */
    public String listed() {
        return kind.words() + ", " + name;
    }
}
