/** The innermost loops of the mixer, once in vector instructions and once as plain loops that give the same bits. */
package vividlantern.kernel;
