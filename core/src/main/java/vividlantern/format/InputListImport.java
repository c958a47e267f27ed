package vividlantern.format;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVRecord;
import vividlantern.basics.Ids;
import vividlantern.basics.Refused;
import vividlantern.format.InputListCsv.Column;
import vividlantern.patch.InputTracks;
import vividlantern.patch.Ports;
import vividlantern.rig.PortId;
import vividlantern.rig.Rig;
import vividlantern.session.Channels;
import vividlantern.session.Feed;
import vividlantern.session.Input;
import vividlantern.session.InputId;
import vividlantern.session.Performer;
import vividlantern.session.PerformerId;
import vividlantern.session.PhantomWish;
import vividlantern.session.Session;
import vividlantern.session.Track;
import vividlantern.session.TrackId;
import vividlantern.session.edit.Edit;
import vividlantern.session.edit.InputEdit.AddInput;
import vividlantern.session.edit.InputEdit.PatchInput;
import vividlantern.session.edit.InputEdit.SetInputCable;
import vividlantern.session.edit.InputEdit.SetInputGain;
import vividlantern.session.edit.InputEdit.SetInputLevel;
import vividlantern.session.edit.InputEdit.SetInputMic;
import vividlantern.session.edit.InputEdit.SetInputNotes;
import vividlantern.session.edit.InputEdit.SetInputPad;
import vividlantern.session.edit.InputEdit.SetInputPerformer;
import vividlantern.session.edit.InputEdit.SetInputPhantom;
import vividlantern.session.edit.InputEdit.SetInputPlace;
import vividlantern.session.edit.InputEdit.SetInputPolarity;
import vividlantern.session.edit.InputEdit.SetInputSource;
import vividlantern.session.edit.InputEdit.SetInputStand;
import vividlantern.session.edit.InputEdit.SetInputWidth;
import vividlantern.session.edit.PerformerEdit.AddPerformer;
import vividlantern.session.edit.TrackEdit.AddTrack;
import vividlantern.session.edit.TrackEdit.FeedTrack;

/**
 * Reads an input list and says, row by row, what it would do. Nothing changes until somebody applies the edits. A row
 * whose number stands in the list changes that input, in the columns that the file has; any other row is a new input.
 */
public final class InputListImport {

    private static final int MOST_ROWS = 500;
    private static final Pattern SIDE =
            Pattern.compile("(.*?)\\s*\\((left|right|(\\d) of (\\d))\\)", Pattern.CASE_INSENSITIVE);

    /**
     * One row of the file.
     *
     * @param line its line in the file, from 1
     * @param does what it will do, in words; "" if it cannot
     * @param problem why it cannot; "" if it can
     * @param edits what does it, to be made after those of the rows before
     */
    public record Row(long line, String source, String does, String problem, List<Edit> edits) {}

    /**
     * A column of the file.
     *
     * @param heading what stands above it
     * @param readAs which column of the list it is; "" if it is left out
     * @param example the first of its cells that says something
     */
    public record ReadColumn(String heading, String readAs, String example) {}

    /**
     * A reading of a whole file.
     *
     * @param hasHeadings whether its first row names columns: the source, or two others; a cell may say "DI" by itself
     * @param columns the file's, from the left
     * @param choices the columns of the list, which each of them may be
     * @param problem why there are no rows; "" if nothing is wrong
     */
    public record Preview(
            boolean hasHeadings,
            List<ReadColumn> columns,
            List<String> choices,
            List<Row> rows,
            int good,
            int bad,
            String problem) {}

    private final Rig rig;
    private final Map<Column, Integer> columns = new EnumMap<>(Column.class);
    private final Set<PortId> claimed = new HashSet<>();
    private final Set<Integer> numbersSeen = new HashSet<>();
    private final Map<PortId, String> usedElsewhere = new HashMap<>();
    private Session working;

    private InputListImport(Session session, Rig rig) {
        this.working = session;
        this.rig = rig;
    }

    /** Reads a file by its headings. */
    public static Preview preview(byte[] file, Session session, Rig rig) {
        return preview(file, List.of(), session, rig);
    }

    /**
     * Reads a file; refuses one that is no table.
     *
     * @param as the column of the list that each of the file's is, "" for one that is left out; empty where the headings say it
     */
    public static Preview preview(byte[] file, List<String> as, Session session, Rig rig) {
        List<CSVRecord> records = CsvText.rows(file);
        if (records.isEmpty()) {
            throw new Refused("The file is empty.", "file");
        }
        if (records.size() > MOST_ROWS + 1) {
            throw new Refused("The file has more than " + MOST_ROWS + " rows.", "file");
        }
        return new InputListImport(session, rig).read(records, as);
    }

    private Preview read(List<CSVRecord> records, List<String> as) {
        CSVRecord headings = records.get(0);
        List<CSVRecord> body = records.subList(1, records.size());
        for (int at = 0; at < headings.size(); at++) {
            int index = at;
            column(headings, at, as).ifPresent(column -> columns.putIfAbsent(column, index));
        }
        List<ReadColumn> read = IntStream.range(0, headings.size())
                .mapToObj(at -> new ReadColumn(headings.get(at), readAs(at), example(body, at)))
                .toList();
        List<String> choices = Stream.of(Column.values()).map(Column::title).toList();
        if (!columns.containsKey(Column.SOURCE)) {
            String problem = as.isEmpty() && columns.isEmpty()
                    ? "The first row names no column of an input list. Known are " + known() + "."
                    : "Say which column is the source.";
            return new Preview(columns.size() > 1, read, choices, List.of(), 0, 0, problem);
        }
        notePortsOfOthers(body);
        List<Row> rows = body.stream().map(this::row).toList();
        int bad = (int) rows.stream().filter(row -> !row.problem().isEmpty()).count();
        return new Preview(true, read, choices, rows, rows.size() - bad, bad, "");
    }

    /** What a first row may name, in words. */
    private static String known() {
        return Stream.of(Column.values()).map(Column::words).collect(Collectors.joining(", "));
    }

    private static Optional<Column> column(CSVRecord headings, int at, List<String> as) {
        if (as.isEmpty()) {
            return Column.titled(headings.get(at));
        }
        String wanted = at < as.size() ? as.get(at) : "";
        if (wanted.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Column.titled(wanted)
                .orElseThrow(() -> new Refused("An input list has no column \"" + wanted + "\".", "as")));
    }

    private String readAs(int at) {
        return columns.entrySet().stream()
                .filter(each -> each.getValue() == at)
                .map(each -> each.getKey().title())
                .findFirst()
                .orElse("");
    }

    private static String example(List<CSVRecord> body, int at) {
        return body.stream()
                .filter(record -> at < record.size())
                .map(record -> InputCells.said(record.get(at)))
                .filter(cell -> !cell.isEmpty())
                .findFirst()
                .orElse("");
    }

    /** Ports of inputs that the file does not speak of stay theirs. */
    private void notePortsOfOthers(List<CSVRecord> body) {
        Set<Integer> spokenOf = new HashSet<>();
        body.forEach(record -> InputCells.number(cell(record, Column.NUMBER)).ifPresent(spokenOf::add));
        working.inputs().stream()
                .filter(input -> !spokenOf.contains(input.number()) || !columns.containsKey(Column.PORT))
                .forEach(input -> input.ports().forEach(port -> usedElsewhere.put(port, input.source())));
    }

    private Row row(CSVRecord record) {
        String source = cell(record, Column.SOURCE);
        Session before = working;
        List<Edit> edits = new ArrayList<>();
        try {
            if (source.isEmpty()) {
                throw new Refused("The row has no source.", "source");
            }
            Input input = begin(record, source, edits);
            boolean added = before.find(input.id()).isEmpty();
            change(record, input, edits);
            Session after = Edit.applyAll(edits, before, rig);
            working = after;
            String does = edits.isEmpty()
                    ? "changes nothing"
                    : (added ? "adds input " : "changes input ") + input.number() + words(edits, before, input);
            return new Row(record.getRecordNumber(), source, does, "", List.copyOf(edits));
        } catch (Refused refused) {
            working = before;
            return new Row(record.getRecordNumber(), source, "", refused.getMessage(), List.of());
        }
    }

    /** What edits make of a row's cells, in words, each told without the input that the row is about. */
    private String words(List<Edit> edits, Session before, Input input) {
        String itself = "Input " + input.number() + ", " + input.source() + ": ";
        List<String> words = new ArrayList<>();
        Session now = before;
        for (Edit edit : edits) {
            String summary = edit.summary(now, rig);
            now = edit.applyTo(now, rig);
            if (!(edit instanceof AddInput)) {
                words.add(summary.startsWith(itself) ? summary.substring(itself.length()) : summary);
            }
        }
        return words.isEmpty() ? "" : ": " + String.join("; ", words);
    }

    private Input begin(CSVRecord record, String source, List<Edit> edits) {
        String written = cell(record, Column.NUMBER);
        Optional<Integer> given = InputCells.number(written);
        if (given.isEmpty() && !written.isEmpty()) {
            throw new Refused("\"" + written + "\" is not an input number.", "number");
        }
        int number = given.orElseGet(this::nextNumber);
        if (!numbersSeen.add(number)) {
            throw new Refused("Number " + number + " stands in the file twice.", "number");
        }
        Optional<Input> existing = working.inputs().stream()
                .filter(input -> input.number() == number)
                .findFirst();
        if (existing.isPresent()) {
            Input input = existing.get();
            if (!input.source().equals(source)) {
                make(new SetInputSource(input.id(), source), edits);
            }
            return working.find(input.id()).orElseThrow();
        }
        InputId id = new InputId(
                Ids.fresh(source, taken -> working.find(new InputId(taken)).isPresent()));
        make(new AddInput(id, number, source), edits);
        return working.find(id).orElseThrow();
    }

    private void change(CSVRecord record, Input input, List<Edit> edits) {
        text(record, Column.PERFORMER).ifPresent(name -> setPerformer(input, name, edits));
        text(record, Column.MIC)
                .filter(mic -> !mic.equals(input.mic()))
                .ifPresent(mic -> make(new SetInputMic(input.id(), mic), edits));
        text(record, Column.STAND)
                .filter(stand -> !stand.equals(input.stand()))
                .ifPresent(stand -> make(new SetInputStand(input.id(), stand), edits));
        text(record, Column.CABLE)
                .map(metres -> metres.isEmpty() ? 0.0 : InputCells.decimal(metres, "a length in metres", "metres"))
                .filter(metres -> metres != input.cableMetres())
                .ifPresent(metres -> make(new SetInputCable(input.id(), metres), edits));
        text(record, Column.PLACE)
                .filter(place -> !place.equals(input.place()))
                .ifPresent(place -> make(new SetInputPlace(input.id(), place), edits));
        text(record, Column.LEVEL)
                .filter(level -> !level.isEmpty())
                .map(InputCells::level)
                .filter(level -> level != input.level())
                .ifPresent(level -> make(new SetInputLevel(input.id(), level), edits));
        text(record, Column.PAD)
                .map(InputCells::pad)
                .filter(pad -> pad != input.pad())
                .ifPresent(pad -> make(new SetInputPad(input.id(), pad), edits));
        text(record, Column.PHANTOM)
                .map(InputCells::phantom)
                .filter(wish -> wish != input.phantom() && !(wish == PhantomWish.OFF && isHarmed(input.id())))
                .ifPresent(wish -> make(new SetInputPhantom(input.id(), wish), edits));
        text(record, Column.WIDTH)
                .filter(width -> !width.isEmpty())
                .map(InputCells::width)
                .filter(width -> width != input.width())
                .ifPresent(width -> make(new SetInputWidth(input.id(), width), edits));
        text(record, Column.PORT).ifPresent(names -> setPorts(input.id(), names, edits));
        text(record, Column.GAIN)
                .map(InputCells::gain)
                .filter(gain -> !gain.equals(input.gainDb()))
                .ifPresent(gain -> make(new SetInputGain(input.id(), gain), edits));
        text(record, Column.POLARITY)
                .map(InputCells::polarity)
                .filter(flipped -> flipped != input.polarityFlipped())
                .ifPresent(flipped -> make(new SetInputPolarity(input.id(), flipped), edits));
        text(record, Column.NOTES)
                .filter(notes -> !notes.equals(input.notes()))
                .ifPresent(notes -> make(new SetInputNotes(input.id(), notes), edits));
        text(record, Column.TRACKS).ifPresent(names -> setTracks(input.id(), names, edits));
    }

    /** Whether "off" in a file would take back that a mic must never have any, which it does not. */
    private boolean isHarmed(InputId input) {
        return rig.isHarmedByPhantom(working.find(input).orElseThrow().mic());
    }

    private void setPerformer(Input input, String name, List<Edit> edits) {
        if (name.isEmpty()) {
            if (input.performer().isPresent()) {
                make(new SetInputPerformer(input.id(), Optional.empty()), edits);
            }
            return;
        }
        Optional<Performer> known = working.performers().stream()
                .filter(performer -> performer.name().equalsIgnoreCase(name))
                .findFirst();
        PerformerId id = known.map(Performer::id)
                .orElseGet(() -> new PerformerId(Ids.fresh(
                        name, taken -> working.find(new PerformerId(taken)).isPresent())));
        if (known.isEmpty()) {
            make(new AddPerformer(id, name, ""), edits);
        }
        if (!input.performer().equals(Optional.of(id))) {
            make(new SetInputPerformer(input.id(), Optional.of(id)), edits);
        }
    }

    private void setPorts(InputId id, String names, List<Edit> edits) {
        Input input = working.find(id).orElseThrow();
        List<PortId> ports = Ports.named(rig, names, input.width());
        for (PortId port : ports) {
            String label = rig.port(port).orElseThrow().houseLabel();
            if (usedElsewhere.containsKey(port)) {
                throw new Refused(
                        label + " is used by " + usedElsewhere.get(port) + ", which is not in the file.", "port");
            }
            if (!claimed.add(port)) {
                throw new Refused(label + " stands in the file twice.", "port");
            }
        }
        if (!input.ports().equals(ports)) {
            make(new PatchInput(id, ports), edits);
        }
    }

    private void setTracks(InputId id, String names, List<Edit> edits) {
        Input input = working.find(id).orElseThrow();
        for (String written : names.split(";")) {
            if (!written.isBlank()) {
                setTrack(input, written.strip(), edits);
            }
        }
    }

    private void setTrack(Input input, String written, List<Edit> edits) {
        int from = written.indexOf(InputTracks.FROM);
        if (from >= 0) {
            int channel = channelNamed(input, written.substring(0, from).strip());
            String track = written.substring(from + InputTracks.FROM.length()).strip();
            feed(track, List.of(Feed.from(input.id(), channel)), edits);
        } else {
            feed(written, Feed.allOf(input), edits);
        }
    }

    private static int channelNamed(Input input, String word) {
        return IntStream.range(0, input.width())
                .filter(channel -> Channels.word(input.width(), channel).equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> new Refused(
                        "\"" + word + "\" is no channel of a source that is " + Channels.width(input.width()) + ".",
                        "tracks"));
    }

    /** Feeds a track, or one channel of it that is named with it in brackets; makes it if it is not there. */
    private void feed(String written, List<Feed> with, List<Edit> edits) {
        Matcher side = SIDE.matcher(written);
        boolean oneOfSeveral = side.matches() && with.size() == 1;
        String name = oneOfSeveral ? side.group(1) : written;
        int width = oneOfSeveral ? width(side) : with.size();
        int channel = oneOfSeveral ? channel(side) : 0;
        if (channel < 0 || channel >= width || width > Track.MAX_WIDTH) {
            throw new Refused("\"" + written + "\" names no channel that a track can have.", "tracks");
        }
        Optional<Track> known = working.tracks().stream()
                .filter(track -> track.name().equalsIgnoreCase(name)
                        && track.width() == width
                        && track.role() == Track.Role.INPUT)
                .findFirst();
        List<Feed> was = known.map(Track::feeds).orElse(Collections.nCopies(width, Feed.NOTHING));
        List<Feed> feeds = new ArrayList<>(was);
        for (int at = 0; at < with.size(); at++) {
            feeds.set(channel + at, with.get(at));
        }
        if (feeds.equals(was)) {
            return;
        }
        if (known.isPresent()) {
            make(new FeedTrack(known.get().id(), feeds), edits);
        } else {
            TrackId id = new TrackId(
                    Ids.fresh(name, taken -> working.find(new TrackId(taken)).isPresent()));
            make(new AddTrack(id, name, width, feeds), edits);
        }
    }

    private static int width(Matcher side) {
        return side.group(4) == null ? 2 : Integer.parseInt(side.group(4));
    }

    private static int channel(Matcher side) {
        return side.group(3) != null
                ? Integer.parseInt(side.group(3)) - 1
                : side.group(2).equalsIgnoreCase("right") ? 1 : 0;
    }

    private void make(Edit edit, List<Edit> edits) {
        working = edit.applyTo(working, rig);
        edits.add(edit);
    }

    private int nextNumber() {
        return working.inputs().stream().mapToInt(Input::number).max().orElse(0) + 1;
    }

    private Optional<String> text(CSVRecord record, Column column) {
        return columns.containsKey(column) ? Optional.of(cell(record, column)) : Optional.empty();
    }

    private String cell(CSVRecord record, Column column) {
        Integer at = columns.get(column);
        return at == null || at >= record.size() ? "" : InputCells.said(record.get(at));
    }
}
