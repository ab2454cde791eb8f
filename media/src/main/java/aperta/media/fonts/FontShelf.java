package aperta.media.fonts;

import aperta.core.render.Faces;
import aperta.core.type.Typeface;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;

/** Faces by id: the shipped ones, and those that a function finds. */
public final class FontShelf implements Faces {
    /** A shipped font: its id, what people call it, and what it is good for. */
    public record Shipped(String id, String name, String manner) {}

    public static final List<Shipped> SHIPPED = List.of(
            new Shipped("anton", "Anton", "heavy display"),
            new Shipped("archivo-black", "Archivo Black", "heavy display"),
            new Shipped("oswald", "Oswald SemiBold", "condensed"),
            new Shipped("inter-tight", "Inter Tight SemiBold", "plain"),
            new Shipped("playfair-display", "Playfair Display Bold", "serif"),
            new Shipped("special-elite", "Special Elite", "typewriter"),
            new Shipped("ibm-plex-mono", "IBM Plex Mono Medium", "monospaced"),
            new Shipped("caveat", "Caveat SemiBold", "handwriting"),
            new Shipped("great-vibes", "Great Vibes", "script"));

    private final Function<String, Optional<byte[]>> others;
    private final Map<String, Typeface> faces = new ConcurrentHashMap<>();

    /** @param others finds the file of a font that people brought, by its id */
    public FontShelf(Function<String, Optional<byte[]>> others) {
        this.others = others;
    }

    @Override
    public Typeface face(String id) {
        return faces.computeIfAbsent(id, i -> Typeface.of(file(i)));
    }

    /** The bytes of a font's file. */
    public byte[] file(String id) {
        if (SHIPPED.stream().noneMatch(s -> s.id().equals(id))) {
            return others.apply(id)
                    .orElseThrow(() -> new IllegalArgumentException("The font '" + id + "' isn't there."));
        }
        try (InputStream in = FontShelf.class.getResourceAsStream("/fonts/" + id + ".ttf")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
