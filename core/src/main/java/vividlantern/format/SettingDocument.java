package vividlantern.format;

import java.util.Map;
import vividlantern.template.Setting;

/** A setting as a file: what it is, in which version, and the setting itself. Its schema is {@link #schema}. */
public record SettingDocument(String format, int version, Setting setting) {

    private static final String FORMAT = "vivid-lantern-setting";
    private static final int VERSION = 3;

    public static SettingDocument of(Setting setting) {
        return new SettingDocument(FORMAT, VERSION, setting);
    }

    /** The setting, if the document is one that this program can read and that names what it holds. */
    public Setting checked() {
        DocumentHead.require("a setting document", format, FORMAT, version, VERSION);
        return setting;
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A setting", SettingDocument.class);
    }
}
