package aperta.server.http;

import aperta.media.json.ShotJson;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The description of the API, and of the documents that go through it. */
@Configuration
public class Api {
    @Bean
    OpenAPI description() {
        return new OpenAPI().info(new Info().title("Aperta").version("1")).servers(List.of(new Server().url("/")));
    }

    /** The JSON Schema of a shot. */
    @RestController
    static class Schema {
        @GetMapping(path = "/api/schema/shot", produces = MediaType.APPLICATION_JSON_VALUE)
        String shot() {
            return ShotJson.schema().toString();
        }
    }
}
