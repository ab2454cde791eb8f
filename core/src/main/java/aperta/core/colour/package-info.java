/** Colours of the display, and curves of values. */
package aperta.core.colour;
