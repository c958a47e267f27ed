package vividlantern.format;

import java.util.Map;
import vividlantern.rig.Rig;

/** A rig as a file: what it is, in which version, and the rig itself. Its schema is {@link #schema}. */
public record RigDocument(String format, int version, Rig rig) {

    private static final String FORMAT = "vivid-lantern-rig";
    private static final int VERSION = 2;

    public static RigDocument of(Rig rig) {
        return new RigDocument(FORMAT, VERSION, rig);
    }

    /** The rig, if the document is one that this program can read. */
    public Rig checked() {
        DocumentHead.require("a rig document", format, FORMAT, version, VERSION);
        return rig;
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A studio's rig", RigDocument.class);
    }
}
