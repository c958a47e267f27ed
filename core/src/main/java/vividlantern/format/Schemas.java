package vividlantern.format;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.edit.Edit;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * JSON schemas of what {@link Documents} writes, read off the records themselves, so that they cannot go stale. They are
 * plain maps and lists, named after the records, in the dialect that OpenAPI 3.1 shares with JSON Schema 2020-12.
 */
public final class Schemas {

    private final String referencePrefix;
    private final Map<String, Object> named = new TreeMap<>();
    private final Set<Class<?>> asked = new HashSet<>();

    /** @param referencePrefix what stands before a schema's name where one refers to another */
    public Schemas(String referencePrefix) {
        this.referencePrefix = referencePrefix;
    }

    /** A schema that stands by itself, of a document that is such a record. */
    static Map<String, Object> ofDocument(String title, Class<?> document) {
        Schemas schemas = new Schemas("#/$defs/");
        Map<String, Object> root = new LinkedHashMap<>();
        root.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        root.put("title", title);
        root.putAll(schemas.add(document));
        root.put("$defs", schemas.named());
        return root;
    }

    /** The schemas gathered so far, by name. */
    public Map<String, Object> named() {
        return named;
    }

    /** Says that a type is what somebody sends: of its fields those that may be nothing may be left out. */
    public Class<?> asked(Class<?> type) {
        asked.add(type);
        return type;
    }

    /** Gathers a type and all it speaks of; gives a reference to it. */
    public Map<String, Object> add(Type type) {
        if (type instanceof ParameterizedType generic) {
            return addGeneric(generic);
        }
        Class<?> plain = (Class<?>) type;
        if (plain == String.class || Documents.isId(plain)) {
            return Map.of("type", "string");
        }
        if (plain == Decibels.class) {
            return Map.of("oneOf", List.of(Map.of("type", "number"), Map.of("type", "string", "const", "off")));
        }
        if (plain == OffsetDateTime.class) {
            return Map.of("type", "string", "format", "date-time");
        }
        if (plain == double.class || plain == Double.class || plain == Pan.class) {
            return Map.of("type", "number");
        }
        if (plain == int.class || plain == long.class || plain == Integer.class || plain == Long.class) {
            return Map.of("type", "integer");
        }
        if (plain == boolean.class || plain == Boolean.class) {
            return Map.of("type", "boolean");
        }
        if (plain == OptionalLong.class) {
            return nullable(Map.of("type", "integer"));
        }
        if (plain.isEnum()) {
            return Map.of(
                    "type",
                    "string",
                    "enum",
                    Arrays.stream(plain.getEnumConstants())
                            .map(word -> Documents.word((Enum<?>) word))
                            .toList());
        }
        if (plain == Edit.class) {
            return addKinds(Edit.class, Documents.editKinds());
        }
        if (plain == RigEdit.class) {
            return addKinds(RigEdit.class, Documents.rigEditKinds());
        }
        return addRecord(plain, Optional.empty());
    }

    private Map<String, Object> addGeneric(ParameterizedType type) {
        Class<?> raw = (Class<?>) type.getRawType();
        if (raw == Optional.class) {
            return nullable(add(type.getActualTypeArguments()[0]));
        }
        if (Collection.class.isAssignableFrom(raw)) {
            return Map.of("type", "array", "items", add(type.getActualTypeArguments()[0]));
        }
        throw new IllegalArgumentException("No schema is known for " + type + ".");
    }

    /** Gathers everything that stands for a type, told apart by its {@code kind}. */
    public Map<String, Object> addKinds(Class<?> type, Map<String, Class<?>> kinds) {
        List<Object> alternatives = new ArrayList<>();
        kinds.forEach((kind, each) -> alternatives.add(addRecord(each, Optional.of(kind))));
        named.put(type.getSimpleName(), Map.of("oneOf", alternatives));
        return reference(type.getSimpleName());
    }

    private Map<String, Object> addRecord(Class<?> type, Optional<String> kind) {
        String name = type.getSimpleName();
        if (!type.isRecord()) {
            throw new IllegalArgumentException("No schema is known for " + type + ".");
        }
        if (!named.containsKey(name)) {
            named.put(name, Map.of());
            Map<String, Object> properties = new LinkedHashMap<>();
            kind.ifPresent(word -> properties.put("kind", Map.of("type", "string", "const", word)));
            List<String> required = new ArrayList<>(properties.keySet());
            for (RecordComponent component : type.getRecordComponents()) {
                properties.put(component.getName(), add(component.getGenericType()));
                if (!mayBeLeftOut(component)) {
                    required.add(component.getName());
                }
            }
            named.put(
                    name,
                    Map.of(
                            "type",
                            "object",
                            "properties",
                            properties,
                            "required",
                            List.copyOf(required),
                            "additionalProperties",
                            false));
        }
        return reference(name);
    }

    /** A field with a default says so where it is declared. */
    private boolean mayBeLeftOut(RecordComponent component) {
        JsonSetter absent = component.getAccessor().getAnnotation(JsonSetter.class);
        return absent != null && absent.nulls() == Nulls.AS_EMPTY
                || component.getType() == Optional.class && asked.contains(component.getDeclaringRecord());
    }

    private Map<String, Object> reference(String name) {
        return Map.of("$ref", referencePrefix + name);
    }

    private static Map<String, Object> nullable(Map<String, Object> schema) {
        return Map.of("oneOf", List.of(schema, Map.of("type", "null")));
    }
}
