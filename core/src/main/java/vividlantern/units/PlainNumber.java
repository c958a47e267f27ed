package vividlantern.units;

/** A number as people write it where nothing is rounded: 28, 7.5. */
public final class PlainNumber {

    private PlainNumber() {}

    public static String of(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
