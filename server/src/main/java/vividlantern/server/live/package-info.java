/** The running engine at the rig, and the WebSocket over which pages follow it. */
package vividlantern.server.live;
