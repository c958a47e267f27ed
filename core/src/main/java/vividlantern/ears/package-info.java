/** How loud it is at performers' ears, as far as the way there is known: output, headphone amp, headphones. */
package vividlantern.ears;
