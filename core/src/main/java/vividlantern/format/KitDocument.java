package vividlantern.format;

import java.util.Map;
import vividlantern.rig.Rig;
import vividlantern.session.edit.SoundSession;
import vividlantern.template.Kit;

/** A kit as a file: what it is, in which version, and the kit itself. Its schema is {@link #schema}. */
public record KitDocument(String format, int version, Kit kit) {

    private static final String FORMAT = "vivid-lantern-kit";
    private static final int VERSION = 9;

    public static KitDocument of(Kit kit) {
        return new KitDocument(FORMAT, VERSION, kit);
    }

    /** The kit, if the document is one that this program can read and its session is one that edits could have made. */
    public Kit checked() {
        DocumentHead.require("a kit document", format, FORMAT, version, VERSION);
        SoundSession.require(kit.session(), Rig.empty(kit.session().rigId(), "none"));
        return kit;
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A kit", KitDocument.class);
    }
}
