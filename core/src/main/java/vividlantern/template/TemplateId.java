package vividlantern.template;

/** Names a template for good. */
public record TemplateId(String value) {

    @Override
    public String toString() {
        return value;
    }
}
