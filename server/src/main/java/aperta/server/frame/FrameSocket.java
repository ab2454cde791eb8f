package aperta.server.frame;

import aperta.media.json.ShotJson;
import jakarta.annotation.PreDestroy;
import jakarta.json.JsonObject;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.web.socket.CloseStatus;
import org.springframework.web.socket.TextMessage;
import org.springframework.web.socket.WebSocketSession;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.handler.TextWebSocketHandler;
import org.springframework.web.socket.server.standard.ServletServerContainerFactoryBean;

/** The line between a window and the frame desk: {@code /ws/frames/SHOT}. */
@Component
class FrameSocket extends TextWebSocketHandler {
    private static final int LARGEST_WISH = 4 << 20;

    private final FrameDesk desk;
    private final ProofDesk proofs;
    private final Map<String, Viewer> viewers = new ConcurrentHashMap<>();
    private final ExecutorService senders = Executors.newCachedThreadPool(r -> {
        Thread thread = new Thread(r, "frame-sender");
        thread.setDaemon(true);
        return thread;
    });

    FrameSocket(FrameDesk desk, ProofDesk proofs) {
        this.desk = desk;
        this.proofs = proofs;
    }

    @Override
    public void afterConnectionEstablished(WebSocketSession session) throws Exception {
        String path = session.getUri() == null ? "" : session.getUri().getPath();
        try {
            UUID shot = UUID.fromString(path.substring(path.lastIndexOf('/') + 1));
            Viewer viewer = new Viewer(session, shot, senders, desk::wake);
            viewers.put(session.getId(), viewer);
            desk.open(viewer);
        } catch (IllegalArgumentException e) {
            session.close(CloseStatus.BAD_DATA);
        }
    }

    @Override
    protected void handleTextMessage(WebSocketSession session, TextMessage message) throws Exception {
        Viewer viewer = viewers.get(session.getId());
        if (viewer == null) {
            return;
        }
        JsonObject wish;
        try {
            wish = ShotJson.parse(message.getPayload());
        } catch (IllegalArgumentException e) {
            session.close(CloseStatus.BAD_DATA);
            return;
        }
        try {
            switch (wish.getString("type", "")) {
                case "show" -> viewer.wish(wish);
                case "ahead" -> viewer.ahead(wish);
                case "proof" -> proofs.ask(viewer);
                default -> viewer.ask(wish);
            }
        } catch (IllegalArgumentException e) {
            viewer.send(FrameDesk.problem(wish, e.getMessage()));
        }
        desk.wake();
    }

    @PreDestroy
    void close() {
        senders.shutdownNow();
    }

    @Override
    public void afterConnectionClosed(WebSocketSession session, CloseStatus status) {
        Viewer viewer = viewers.remove(session.getId());
        if (viewer != null) {
            desk.leave(viewer);
        }
    }

    @Configuration
    @EnableWebSocket
    static class Line implements WebSocketConfigurer {
        private final FrameSocket socket;

        Line(FrameSocket socket) {
            this.socket = socket;
        }

        @Override
        public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
            registry.addHandler(socket, "/ws/frames/*");
        }

        @Bean
        static ServletServerContainerFactoryBean container() {
            ServletServerContainerFactoryBean c = new ServletServerContainerFactoryBean();
            c.setMaxTextMessageBufferSize(LARGEST_WISH);
            return c;
        }
    }
}
