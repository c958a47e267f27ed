package vividlantern.format;

import java.util.Map;
import vividlantern.rig.Rig;
import vividlantern.session.edit.SoundSession;
import vividlantern.template.Template;

/** A template as a file: what it is, in which version, and the template itself. Its schema is {@link #schema}. */
public record TemplateDocument(String format, int version, Template template) {

    private static final String FORMAT = "vivid-lantern-template";
    private static final int VERSION = 12;

    public static TemplateDocument of(Template template) {
        return new TemplateDocument(FORMAT, VERSION, template);
    }

    /** The template, if the document is one that this program can read and its session is one that edits could have made. */
    public Template checked() {
        DocumentHead.require("a template document", format, FORMAT, version, VERSION);
        SoundSession.require(template.session(), Rig.empty(template.session().rigId(), "none"));
        return template;
    }

    /** The JSON schema (2020-12) of a document. */
    public static Map<String, Object> schema() {
        return Schemas.ofDocument("A template", TemplateDocument.class);
    }
}
