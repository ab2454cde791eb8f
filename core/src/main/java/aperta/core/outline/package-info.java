/** Vector outlines, their strokes, and how much of each pixel they cover. */
package aperta.core.outline;
