package aperta.media.json;

import jakarta.json.spi.JsonProvider;

/**
 * The library that reads and writes JSON, looked up once. {@code jakarta.json.Json} looks for it among all services at each
 * call, which takes longer than what is then done; the provider itself may be used by many threads.
 */
public final class Provider {
    public static final JsonProvider JSON = JsonProvider.provider();

    private Provider() {}
}
