/** Pictures that are computed: noise, steam, ripples of light. */
package aperta.core.texture;
