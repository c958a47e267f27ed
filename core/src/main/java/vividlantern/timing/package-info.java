/** How late performers hear themselves, what two ways to one ear do, and what the interface really takes. */
package vividlantern.timing;
