/** The fonts that ship with Aperta, and those that people bring. */
package aperta.media.fonts;
