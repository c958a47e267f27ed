/** How loud samples are, by the standards: to programmes (ITU-R BS.1770) and at an ear (IEC 61672-1). */
package vividlantern.loudness;
