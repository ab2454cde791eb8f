/** Letters as they are written: strokes found in outlines, and what of a shape each point of a stroke owns. */
package aperta.core.ink;
