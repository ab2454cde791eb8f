package aperta.server.kept;

import aperta.core.shot.LayerEffect;
import aperta.media.json.ShotJson;
import jakarta.json.JsonObject;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;

/** Chains that ship with the application, made of nothing but what anybody can make: {@code chains.json}. */
final class ShippedChains {
    private static final List<Kept<List<LayerEffect>>> ALL = read();

    private ShippedChains() {}

    static List<Kept<List<LayerEffect>>> all() {
        return ALL;
    }

    private static List<Kept<List<LayerEffect>>> read() {
        try (InputStream in = ShippedChains.class.getResourceAsStream("/chains.json")) {
            JsonObject all = ShotJson.parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            return all.getJsonArray("chains").getValuesAs(JsonObject.class).stream()
                    .map(c -> new Kept<>(
                            UUID.nameUUIDFromBytes(c.getString("name").getBytes(StandardCharsets.UTF_8)),
                            c.getString("name"),
                            ShotJson.readEffects(c.getJsonArray("effects"))))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
