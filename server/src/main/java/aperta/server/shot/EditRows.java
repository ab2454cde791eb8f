package aperta.server.shot;

import org.springframework.data.jpa.repository.JpaRepository;

interface EditRows extends JpaRepository<EditRow, Long> {}
