/** A session compiled to arrays, and the mixer that runs them block by block. The same code mixes live, for files and in tests. */
package vividlantern.mix;
