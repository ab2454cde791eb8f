/** What a shot sounds like: its sound layers as samples, in time with its frames. */
package aperta.core.sound;
