package vividlantern.rig;

/** Names a part within its rig, as in "port/wall-1". A tie is named by the port it leaves. */
public record RigPartKey(Kind kind, String id) implements Comparable<RigPartKey> {

    /** In this order parts are put back: what others refer to comes first. */
    public enum Kind {
        SETTINGS("settings", RigSettings.class),
        DEVICE("device", Device.class),
        PORT("port", Port.class),
        TIE("tie", Tie.class),
        PAIR("pair", StereoPair.class),
        GROUP("group", WideGroup.class),
        MIC("mic", Mic.class);

        private final String word;
        private final Class<? extends RigPart> type;

        Kind(String word, Class<? extends RigPart> type) {
            this.word = word;
            this.type = type;
        }

        public Class<? extends RigPart> type() {
            return type;
        }
    }

    public static final RigPartKey SETTINGS = new RigPartKey(Kind.SETTINGS, "");

    public static RigPartKey of(Device device) {
        return new RigPartKey(Kind.DEVICE, device.id());
    }

    public static RigPartKey of(Port port) {
        return new RigPartKey(Kind.PORT, port.id().value());
    }

    public static RigPartKey of(Tie tie) {
        return new RigPartKey(Kind.TIE, tie.from().value());
    }

    public static RigPartKey of(StereoPair pair) {
        return new RigPartKey(Kind.PAIR, pair.id().value());
    }

    public static RigPartKey of(WideGroup group) {
        return new RigPartKey(Kind.GROUP, group.id().value());
    }

    public static RigPartKey of(Mic mic) {
        return new RigPartKey(Kind.MIC, mic.id().value());
    }

    public static RigPartKey parse(String text) {
        int slash = text.indexOf('/');
        String word = slash < 0 ? text : text.substring(0, slash);
        for (Kind kind : Kind.values()) {
            if (kind.word.equals(word)) {
                return new RigPartKey(kind, slash < 0 ? "" : text.substring(slash + 1));
            }
        }
        throw new IllegalArgumentException("'" + text + "' names no part of a rig.");
    }

    @Override
    public int compareTo(RigPartKey other) {
        int byKind = kind.compareTo(other.kind);
        return byKind != 0 ? byKind : id.compareTo(other.id);
    }

    @Override
    public String toString() {
        return id.isEmpty() ? kind.word : kind.word + "/" + id;
    }
}
