package vividlantern.bench.faults;

import com.google.gson.JsonArray;
import com.google.gson.JsonElement;
import com.google.gson.JsonNull;
import com.google.gson.JsonObject;
import com.google.gson.JsonPrimitive;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** JSON as a schema wants it, filled by chance with what there is, and spoilt here and there. */
final class OddValues {

    private static final int DEEPEST = 12;
    private static final List<JsonElement> ODD = List.of(
            JsonNull.INSTANCE,
            new JsonPrimitive(""),
            new JsonPrimitive(" "),
            new JsonPrimitive("%s%n"),
            new JsonPrimitive("=1+1"),
            new JsonPrimitive("'; drop table session; --"),
            new JsonPrimitive("\u0000\uD800\u202E"),
            new JsonPrimitive("x".repeat(5000)),
            new JsonPrimitive("x".repeat(140_000)),
            new JsonPrimitive("off"),
            new JsonPrimitive("NaN"),
            new JsonPrimitive(0),
            new JsonPrimitive(-1),
            new JsonPrimitive(1e308),
            new JsonPrimitive(-274),
            new JsonPrimitive(1e-320),
            new JsonPrimitive(Integer.MAX_VALUE),
            new JsonPrimitive(Long.MIN_VALUE),
            new JsonPrimitive(0.5),
            new JsonPrimitive(true),
            new JsonArray(),
            new JsonObject());

    private final Random chance;
    private final JsonObject schemas;
    private final List<String> known;

    /**
     * @param schemas by name
     * @param known ids and names that there are
     */
    OddValues(Random chance, JsonObject schemas, List<String> known) {
        this.chance = chance;
        this.schemas = schemas;
        this.known = known;
    }

    String word() {
        return chance.nextInt(4) == 0
                ? odd().getAsJsonPrimitive().getAsString()
                : known.get(chance.nextInt(known.size()));
    }

    private JsonElement odd() {
        JsonElement odd = ODD.get(chance.nextInt(ODD.size()));
        while (!odd.isJsonPrimitive()) {
            odd = ODD.get(chance.nextInt(ODD.size()));
        }
        return odd;
    }

    /** A value that a schema allows. */
    JsonElement made(JsonObject schema) {
        return made(schema, 0);
    }

    private JsonElement made(JsonObject schema, int depth) {
        if (schema.has("$ref")) {
            String name = schema.get("$ref").getAsString().replaceFirst(".*/", "");
            return made(schemas.getAsJsonObject(name), depth + 1);
        }
        if (schema.has("oneOf")) {
            JsonArray choices = schema.getAsJsonArray("oneOf");
            return made(choices.get(chance.nextInt(choices.size())).getAsJsonObject(), depth);
        }
        if (schema.has("const")) {
            return schema.get("const");
        }
        if (schema.has("enum")) {
            JsonArray words = schema.getAsJsonArray("enum");
            return words.get(chance.nextInt(words.size()));
        }
        return switch (schema.has("type") ? schema.get("type").getAsString() : "") {
            case "object" -> object(schema, depth);
            case "array" -> array(schema, depth);
            case "string" -> new JsonPrimitive(known.get(chance.nextInt(known.size())));
            case "number" -> new JsonPrimitive(chance.nextInt(400) / 10.0 - 30);
            case "integer" -> new JsonPrimitive(chance.nextInt(16));
            case "boolean" -> new JsonPrimitive(chance.nextBoolean());
            default -> JsonNull.INSTANCE;
        };
    }

    private JsonObject object(JsonObject schema, int depth) {
        JsonObject made = new JsonObject();
        if (schema.has("properties")) {
            schema.getAsJsonObject("properties")
                    .entrySet()
                    .forEach(
                            each -> made.add(each.getKey(), made(each.getValue().getAsJsonObject(), depth + 1)));
        }
        return made;
    }

    private JsonArray array(JsonObject schema, int depth) {
        JsonArray made = new JsonArray();
        for (int n = depth > DEEPEST ? 0 : chance.nextInt(3); n > 0; n--) {
            made.add(made(schema.getAsJsonObject("items"), depth + 1));
        }
        return made;
    }

    /** The value with something spoilt at one place. */
    JsonElement spoilt(JsonElement value) {
        JsonElement copy = value.deepCopy();
        List<JsonElement> places = new ArrayList<>();
        gather(copy, places);
        if (places.isEmpty()) {
            return ODD.get(chance.nextInt(ODD.size()));
        }
        JsonElement place = places.get(chance.nextInt(places.size()));
        JsonElement odd = ODD.get(chance.nextInt(ODD.size())).deepCopy();
        if (place instanceof JsonObject object) {
            List<String> names = List.copyOf(object.keySet());
            String name = names.isEmpty() ? "more" : names.get(chance.nextInt(names.size()));
            switch (chance.nextInt(6)) {
                case 0 -> object.remove(name);
                case 1 -> object.add(name + "X", odd);
                default -> object.add(name, odd);
            }
        } else if (place instanceof JsonArray array) {
            switch (chance.nextInt(3)) {
                case 0 -> array.add(array.isEmpty() ? odd : array.get(chance.nextInt(array.size())));
                case 1 -> {
                    if (!array.isEmpty()) {
                        array.remove(chance.nextInt(array.size()));
                    }
                }
                default -> array.add(odd);
            }
        }
        return copy;
    }

    private static void gather(JsonElement value, List<JsonElement> places) {
        if (value instanceof JsonObject object) {
            places.add(object);
            object.entrySet().forEach(each -> gather(each.getValue(), places));
        } else if (value instanceof JsonArray array) {
            places.add(array);
            array.forEach(each -> gather(each, places));
        }
    }
}
