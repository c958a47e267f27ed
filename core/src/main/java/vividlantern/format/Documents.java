package vividlantern.format;

import com.fasterxml.jackson.annotation.JsonAutoDetect;
import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonEnumDefaultValue;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonValue;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedClass;
import tools.jackson.databind.introspect.AnnotatedConstructor;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.AnnotatedMethod;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.node.ObjectNode;
import vividlantern.rig.PairId;
import vividlantern.rig.Rig;
import vividlantern.rig.RigPart;
import vividlantern.rig.RigPartKey;
import vividlantern.rig.WideGroup;
import vividlantern.rig.edit.RigEdit;
import vividlantern.session.ControlRoom;
import vividlantern.session.Feed;
import vividlantern.session.Part;
import vividlantern.session.PartKey;
import vividlantern.session.PartKind;
import vividlantern.session.Performer;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.chain.Chain;
import vividlantern.session.cue.Comfort;
import vividlantern.session.cue.Compressor;
import vividlantern.session.cue.Cue;
import vividlantern.session.cue.Ears;
import vividlantern.session.cue.Send;
import vividlantern.session.edit.Edit;
import vividlantern.session.song.ClickPattern;
import vividlantern.session.song.Marker;
import vividlantern.session.song.MarkerId;
import vividlantern.session.song.TempoMap;
import vividlantern.template.Setting;
import vividlantern.units.Decibels;
import vividlantern.units.Pan;

/**
 * How sessions, rigs and edits are written in JSON: a level is a number of dB or "off", a pan a number, an id a string, a
 * word of ours in small letters with hyphens, an edit an object whose {@code kind} is its name in small letters with hyphens.
 */
public final class Documents {

    private static final JsonMapper MAPPER = configure(JsonMapper.builder()).build();

    private Documents() {}

    /** Teaches a mapper how the job's types are written. */
    public static JsonMapper.Builder configure(JsonMapper.Builder builder) {
        SimpleModule levels = new SimpleModule("vivid-lantern");
        levels.addSerializer(Decibels.class, new LevelWriter()).addDeserializer(Decibels.class, new LevelReader());
        builder.addModule(levels)
                .annotationIntrospector(new Words())
                .disable(EnumFeature.WRITE_ENUMS_USING_TO_STRING, EnumFeature.READ_ENUMS_USING_TO_STRING)
                .changeDefaultVisibility(seen -> seen.withIsGetterVisibility(JsonAutoDetect.Visibility.NONE))
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
                .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
                .addMixIn(Rig.class, RigForm.class)
                .addMixIn(Performer.class, PerformerForm.class)
                .addMixIn(ControlRoom.ListenMic.class, ListenMicForm.class)
                .addMixIn(Track.class, TrackForm.class)
                .addMixIn(Cue.class, CueForm.class)
                .addMixIn(Ears.class, EarsForm.class)
                .addMixIn(Send.class, SendForm.class)
                .addMixIn(Setting.CueSend.class, CueSendForm.class)
                .addMixIn(Setting.class, SettingForm.class)
                .addMixIn(Pan.class, PanForm.class)
                .addMixIn(Feed.class, FeedForm.class)
                .addMixIn(ClickPattern.class, ClickForm.class)
                .addMixIn(ClickPattern.Voice.class, VoiceForm.class)
                .addMixIn(TempoMap.class, TempoMapForm.class)
                .addMixIn(TempoMap.Meter.class, MeterForm.class)
                .addMixIn(Marker.class, MarkerForm.class)
                .addMixIn(Edit.class, EditForm.class)
                .addMixIn(RigEdit.class, EditForm.class);
        editKinds().forEach((kind, type) -> builder.registerSubtypes(new NamedType(type, kind)));
        rigEditKinds().forEach((kind, type) -> builder.registerSubtypes(new NamedType(type, kind)));
        return builder;
    }

    /** Every edit that may come from outside, by its kind. */
    public static SortedMap<String, Class<?>> editKinds() {
        SortedMap<String, Class<?>> kinds = new TreeMap<>();
        Edit.families().flatMap(Documents::records).forEach(type -> kinds.put(kind(type), type));
        return kinds;
    }

    public static String write(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    /** A record's fields by their names, as they are written. */
    public static Map<String, Object> fields(Object value) {
        return MAPPER.convertValue(
                value, MAPPER.getTypeFactory().constructMapType(Map.class, String.class, Object.class));
    }

    public static <T> T read(String json, Class<T> type) {
        return MAPPER.readValue(json, type);
    }

    public static String writeEdits(List<Edit> edits) {
        return MAPPER.writerFor(MAPPER.getTypeFactory().constructCollectionType(List.class, Edit.class))
                .writeValueAsString(edits);
    }

    public static List<Edit> readEdits(String json) {
        return MAPPER.readValue(json, MAPPER.getTypeFactory().constructCollectionType(List.class, Edit.class));
    }

    /** Every edit of a rig that may come from outside, by its kind. */
    public static SortedMap<String, Class<?>> rigEditKinds() {
        SortedMap<String, Class<?>> kinds = new TreeMap<>();
        records(RigEdit.class).forEach(type -> kinds.put(kind(type), type));
        return kinds;
    }

    public static String writeRigEdits(List<RigEdit> edits) {
        return MAPPER.writerFor(MAPPER.getTypeFactory().constructCollectionType(List.class, RigEdit.class))
                .writeValueAsString(edits);
    }

    public static List<RigEdit> readRigEdits(String json) {
        return MAPPER.readValue(json, MAPPER.getTypeFactory().constructCollectionType(List.class, RigEdit.class));
    }

    /** Parts of a session or a rig by their keys; null where there is none. */
    public static String writeParts(Map<?, ? extends Optional<?>> parts) {
        SortedMap<String, Object> byKey = new TreeMap<>();
        parts.forEach((key, part) -> byKey.put(key.toString(), part.orElse(null)));
        return MAPPER.writeValueAsString(byKey);
    }

    public static Map<PartKey, Optional<Part>> readParts(String json) {
        return readParts(
                withLaterFields(json), PartKey::parse, key -> key.kind().type());
    }

    /**
     * Logs written before inputs, tracks or cues had some of their fields stand without them; they are as in a new one. An input
     * that had one port has it still.
     */
    private static String withLaterFields(String json) {
        Map<PartKind, ObjectNode> begun = new EnumMap<>(PartKind.class);
        for (PartKind kind : PartKind.values()) {
            kind.asItBegins().ifPresent(part -> begun.put(kind, MAPPER.valueToTree(part)));
        }
        ObjectNode parts = (ObjectNode) MAPPER.readTree(json);
        for (Map.Entry<String, JsonNode> entry : parts.properties()) {
            ObjectNode whole = begun.get(PartKey.parse(entry.getKey()).kind());
            if (whole != null && entry.getValue() instanceof ObjectNode part) {
                JsonNode only = part.remove("port");
                if (only != null) {
                    part.set("ports", MAPPER.valueToTree(only.isNull() ? List.of() : List.of(only)));
                }
                whole.properties().stream()
                        .filter(field -> !part.has(field.getKey()))
                        .forEach(field -> part.set(field.getKey(), field.getValue()));
            }
        }
        return parts.toString();
    }

    public static Map<RigPartKey, Optional<RigPart>> readRigParts(String json) {
        return readParts(json, RigPartKey::parse, key -> key.kind().type());
    }

    private static <K extends Comparable<K>, P> Map<K, Optional<P>> readParts(
            String json, Function<String, K> parse, Function<K, Class<? extends P>> type) {
        Map<K, Optional<P>> parts = new TreeMap<>();
        for (Map.Entry<String, JsonNode> entry : MAPPER.readTree(json).properties()) {
            K key = parse.apply(entry.getKey());
            Optional<P> part = entry.getValue().isNull()
                    ? Optional.empty()
                    : Optional.of(MAPPER.treeToValue(entry.getValue(), type.apply(key)));
            parts.put(key, part);
        }
        return parts;
    }

    /** All records that a sealed interface, and those nested in it, allow. */
    private static Stream<Class<?>> records(Class<?> type) {
        return type.isRecord()
                ? Stream.of(type)
                : Arrays.stream(type.getPermittedSubclasses()).flatMap(Documents::records);
    }

    private static String kind(Class<?> type) {
        return type.getSimpleName().replaceAll("(?<=.)([A-Z])", "-$1").toLowerCase(Locale.ROOT);
    }

    /** Whether a type is an id: a record of one text, called so. It is written as its bare text. */
    static boolean isId(Class<?> type) {
        return type.isRecord()
                && type.getSimpleName().endsWith("Id")
                && type.getRecordComponents().length == 1
                && type.getRecordComponents()[0].getType() == String.class
                && type.getRecordComponents()[0].getName().equals("value");
    }

    /** How a word of ours is written. */
    public static String word(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static final class Words extends JacksonAnnotationIntrospector {

        private static final long serialVersionUID = 1L;

        @Override
        public String[] findEnumValues(MapperConfig<?> config, AnnotatedClass type, Enum<?>[] words, String[] names) {
            return Arrays.stream(words).map(Documents::word).toArray(String[]::new);
        }

        @Override
        public Boolean hasAsValue(MapperConfig<?> config, Annotated seen) {
            return seen instanceof AnnotatedMethod method
                            && method.getName().equals("value")
                            && isId(method.getDeclaringClass())
                    ? Boolean.TRUE
                    : super.hasAsValue(config, seen);
        }

        /** Sessions written before there was some kind of parts have none of them. */
        @Override
        public JsonSetter.Value findSetterInfo(MapperConfig<?> config, Annotated seen) {
            return seen instanceof AnnotatedMember member
                            && member.getDeclaringClass() == Session.class
                            && List.class.isAssignableFrom(seen.getRawType())
                    ? JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY)
                    : super.findSetterInfo(config, seen);
        }

        @Override
        public JsonCreator.Mode findCreatorAnnotation(MapperConfig<?> config, Annotated seen) {
            return seen instanceof AnnotatedConstructor constructor && isId(constructor.getDeclaringClass())
                    ? JsonCreator.Mode.DELEGATING
                    : super.findCreatorAnnotation(config, seen);
        }
    }

    private abstract static class PanForm {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        PanForm(double position) {}

        @JsonValue
        abstract double position();
    }

    /** Rigs written before there were wide groups have none. */
    private abstract static class RigForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract List<WideGroup> groups();
    }

    /** Tracks written before they could be shifted are not. */
    private abstract static class TrackForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract int shiftFrames();
    }

    /** Cues written before they had them have a compressor and comfort reverb as they begin: off, are stereo, leave by one pair and are not linked. */
    private abstract static class CueForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract List<PairId> furtherOutputs();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean linkedToMain();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Compressor compressor();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Comfort comfort();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Ears ears();
    }

    /** Cues written before one could choose are stereo. */
    private enum EarsForm {
        @JsonEnumDefaultValue
        STEREO
    }

    /** Sends written before there was comfort reverb send nothing there. */
    private abstract static class SendForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Decibels comfort();
    }

    /** Settings kept before there were chains hold none. */
    private abstract static class SettingForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Chain printed();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Chain heardOnly();
    }

    /** Settings likewise. */
    private abstract static class CueSendForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract Decibels comfort();
    }

    /** Listen mics written before they could open by themselves do not. */
    private abstract static class ListenMicForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean byItself();
    }

    /** Performers written before speakers were thought of wear headphones. */
    private abstract static class PerformerForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract double metres();
    }

    /** A click written before it could be silent now and then sounds while the song plays. */
    private abstract static class ClickForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean countInOnly();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract int stopsAfterBars();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract List<MarkerId> silentIn();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean whileStopped();

        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean onlyArmed();
    }

    /** Songs written before they had a pick-up have none. */
    private abstract static class TempoMapForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract double pickUpQuarters();
    }

    /** Time signatures written before they could be felt otherwise are counted as they are written. */
    private abstract static class MeterForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract int feltIn();
    }

    /** Parts written before they could need a click need none. */
    private abstract static class MarkerForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract boolean needsClick();
    }

    /** A click written before its bars had patterns falls as it did. */
    private abstract static class VoiceForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract List<ClickPattern.BarPattern> patterns();
    }

    /** A feed is of the first channel where it does not say of which. */
    private abstract static class FeedForm {
        @JsonSetter(nulls = Nulls.AS_EMPTY)
        abstract int channel();
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
    private interface EditForm {}

    private static final class LevelWriter extends ValueSerializer<Decibels> {
        @Override
        public void serialize(Decibels level, JsonGenerator out, SerializationContext context) {
            if (level.isOff()) {
                out.writeString("off");
            } else {
                out.writeNumber(level.value());
            }
        }
    }

    private static final class LevelReader extends ValueDeserializer<Decibels> {
        @Override
        public Object getEmptyValue(DeserializationContext context) {
            return Decibels.OFF;
        }

        @Override
        public Decibels deserialize(JsonParser in, DeserializationContext context) throws JacksonException {
            if (in.currentToken().isNumeric()) {
                return Decibels.of(in.getDoubleValue());
            }
            if ("off".equals(in.getString())) {
                return Decibels.OFF;
            }
            return (Decibels) context.handleWeirdStringValue(
                    Decibels.class, in.getString(), "a level is a number of dB or \"off\"");
        }
    }
}
