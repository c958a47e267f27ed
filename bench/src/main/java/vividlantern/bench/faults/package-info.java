/** What the program does when much goes wrong at once. */
package vividlantern.bench.faults;
