/** What is set up once and used again: templates, of what they consist, what they need, and how a session begins from one. */
package vividlantern.template;
