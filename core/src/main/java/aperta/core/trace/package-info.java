/** Outlines found in pictures. */
package aperta.core.trace;
