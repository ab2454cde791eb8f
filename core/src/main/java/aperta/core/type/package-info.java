/** Fonts, and words set as outlines. */
package aperta.core.type;
