package codrane.app;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;

/** Counts what the thread of a test asks the database, sessions and locks aside. */
class Statements implements BeanPostProcessor {
    private static final ThreadLocal<List<String>> ASKED = new ThreadLocal<>();
    private static final ThreadLocal<Work> AFTER_THE_FIRST = new ThreadLocal<>();

    /** What was asked meanwhile, in this thread. */
    static List<String> during(Work work) throws Exception {
        List<String> asked = new CopyOnWriteArrayList<>();
        ASKED.set(asked);
        try {
            work.run();
        } finally {
            ASKED.remove();
        }
        if (asked.isEmpty()) throw new AssertionError("nothing was asked, or nothing was counted");
        return List.copyOf(asked);
    }

    /** Does something else in another thread, after the first question of the work in this one. */
    static void afterTheFirst(Work other, Work work) throws Exception {
        AFTER_THE_FIRST.set(other);
        during(work);
    }

    private static void meanwhile() {
        Work other = AFTER_THE_FIRST.get();
        List<String> asked = ASKED.get();
        if (other == null || asked == null || asked.size() != 1) return;
        AFTER_THE_FIRST.remove();
        CompletableFuture.runAsync(() -> {
                    try {
                        other.run();
                    } catch (Exception e) {
                        throw new IllegalStateException(e);
                    }
                })
                .join();
    }

    /** What is done meanwhile. */
    interface Work {
        void run() throws Exception;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        if (!(bean instanceof DataSource source)) return bean;
        return Proxy.newProxyInstance(
                getClass().getClassLoader(),
                new Class<?>[] {DataSource.class, AutoCloseable.class},
                (proxy, method, arguments) -> {
                    Object got = call(() -> method.invoke(source, arguments));
                    return got instanceof Connection connection ? counting(connection) : got;
                });
    }

    private static Connection counting(Connection connection) {
        return (Connection) Proxy.newProxyInstance(
                Statements.class.getClassLoader(), new Class<?>[] {Connection.class}, (proxy, method, arguments) -> {
                    if (method.getName().equals("prepareStatement")) count((String) arguments[0]);
                    return call(() -> method.invoke(connection, arguments));
                });
    }

    private static void count(String sql) {
        meanwhile();
        List<String> asked = ASKED.get();
        if (asked != null && !sql.toLowerCase(Locale.ROOT).contains("spring_session")) asked.add(sql);
    }

    private interface Call {
        Object invoke() throws Exception;
    }

    private static Object call(Call call) throws Throwable {
        try {
            return call.invoke();
        } catch (InvocationTargetException e) {
            throw e.getCause();
        }
    }
}
