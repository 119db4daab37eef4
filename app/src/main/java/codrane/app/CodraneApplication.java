package codrane.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The web application. */
@SpringBootApplication
public class CodraneApplication {
    public static void main(String[] args) {
        SpringApplication.run(CodraneApplication.class, args);
    }
}
