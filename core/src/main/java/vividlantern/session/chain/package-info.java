/** What a track's sound passes: two chains of effects, one before the recording, one for listeners only; what each effect can be set to. */
package vividlantern.session.chain;
