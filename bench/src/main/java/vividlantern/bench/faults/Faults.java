package vividlantern.bench.faults;

import java.nio.file.Path;

/** Makes one kind of thing go wrong. Arguments: the packaged program, what, and how many. */
public final class Faults {

    private Faults() {}

    public static void main(String[] arguments) throws Exception {
        Path program = Path.of(arguments[0]).toAbsolutePath();
        String what = arguments.length > 1 ? arguments[1] : "";
        boolean good = switch (what) {
            case "kills" -> Kills.make(program, many(arguments, 200));
            case "odd-requests" -> OddRequests.send(program, many(arguments, 20_000));
            case "renders" -> Renders.beside(program, many(arguments, 20));
            case "pages" -> Pages.crowd(program, many(arguments, 600));
            case "edits" -> ManyEdits.make(program, many(arguments, 10_000));
            default -> {
                System.out.println("Usage: bench/faults/run kills|odd-requests|renders|pages|edits [HOW MANY]");
                yield false;
            }
        };
        System.exit(good ? 0 : 1);
    }

    private static int many(String[] arguments, int usual) {
        return arguments.length > 2 ? Integer.parseInt(arguments[2]) : usual;
    }
}
