/** What a mix is processed by on its way: an effect a file, each with the source of its formula. */
package vividlantern.mix.effects;
