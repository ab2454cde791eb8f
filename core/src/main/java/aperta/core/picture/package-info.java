/** Pictures and mattes on a domain of pixels, and the arithmetic upon them. */
package aperta.core.picture;
