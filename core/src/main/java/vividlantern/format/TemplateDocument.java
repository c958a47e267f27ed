package vividlantern.format;

import java.util.Map;
import vividlantern.template.Template;

/** A template as a file: what it is, in which version, and the template itself. Its schema is {@link #schema}. */
public record TemplateDocument(String format, int version, Template template) {

    private static final String FORMAT = "vivid-lantern-template";
    private static final int VERSION = 1;

    public static TemplateDocument of(Template template) {
        return new TemplateDocument(FORMAT, VERSION, template);
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A template", TemplateDocument.class);
    }
}
