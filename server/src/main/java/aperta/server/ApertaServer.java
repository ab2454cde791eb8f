package aperta.server;

import aperta.core.render.Workers;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** The application: HTTP and WebSocket on loopback, PostgreSQL behind. */
@SpringBootApplication
public class ApertaServer {
    public static void main(String[] args) {
        System.setProperty("java.awt.headless", "true");
        SpringApplication.run(ApertaServer.class, args);
    }

    /** The threads that render; one set for all, so that they never outnumber the cores. */
    @Bean(destroyMethod = "close")
    Workers workers() {
        return Workers.everyCore();
    }

    @Bean
    Storage storage(@Value("${aperta.data}") String folder) {
        return new Storage(Path.of(folder).toAbsolutePath());
    }
}
