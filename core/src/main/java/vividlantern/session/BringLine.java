package vividlantern.session;

/** A line of one's own in the list of what to bring: what no input asks for, as earplugs or a drive. */
public record BringLine(BringLineId id, double position, String what, int count) implements Part {}
