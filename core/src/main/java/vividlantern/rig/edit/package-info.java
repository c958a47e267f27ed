/** Every change that anybody can make to a rig, one record each, with what it asks and how it is told. */
package vividlantern.rig.edit;
