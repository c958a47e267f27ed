package vividlantern.rig;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

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

        /** By what people write; the first that is found counts. An active ribbon is none that this knows. */
        private static final Map<Pattern, Kind> SAID = said();

        private static Map<Pattern, Kind> said() {
            Map<Pattern, Kind> said = new LinkedHashMap<>();
            said.put(wordsOf("(?<!active )ribbons?"), RIBBON);
            said.put(wordsOf("large[ -](condenser|diaphragm)|ldc"), LARGE_CONDENSER);
            said.put(wordsOf("(small|pencil)[ -](condenser|diaphragm)|sdc|condensers?"), SMALL_CONDENSER);
            said.put(wordsOf("active di( box)?"), ACTIVE_DI);
            said.put(wordsOf("passive di( box)?|(?-i:DI)( box)?"), PASSIVE_DI);
            said.put(wordsOf("dynamics?"), DYNAMIC);
            return said;
        }

        private static Pattern wordsOf(String words) {
            return Pattern.compile("\\b(" + words + ")\\b", Pattern.CASE_INSENSITIVE);
        }

        /** The kind that somebody's words speak of, as in "old ribbon, blue"; empty if they say none. */
        public static Optional<Kind> saidIn(String text) {
            return SAID.entrySet().stream()
                    .filter(each -> each.getKey().matcher(text).find())
                    .map(Map.Entry::getValue)
                    .findFirst();
        }

        public String words() {
            return words;
        }

        public Phantom phantom() {
            return phantom;
        }
    }

    /** Whether a text is all of its name, with or without its kind. */
    public boolean isCalled(String text) {
        return text.equalsIgnoreCase(name) || text.equalsIgnoreCase(listed());
    }

    /** As it stands in an input list: "large condenser, Wren L". */
    public String listed() {
        return kind.words() + ", " + name;
    }
}
