package vividlantern.session.chain;

/** What a number of an effect is set to. */
public record EffectValue(EffectNumber number, double value) {}
