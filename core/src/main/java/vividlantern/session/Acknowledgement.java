package vividlantern.session;

/**
 * Somebody's word that a finding of readiness is on purpose. The key names the finding with all it rests on, so that the
 * word holds until that changes.
 */
public record Acknowledgement(String key, String reason) implements Part {}
