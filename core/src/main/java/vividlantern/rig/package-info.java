/** A studio's fixed equipment and how it is wired: devices, ports, ties and output pairs. It changes rarely and belongs to no song. */
package vividlantern.rig;
