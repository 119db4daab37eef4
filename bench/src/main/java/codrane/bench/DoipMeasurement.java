package codrane.bench;

import codrane.core.octets.Bytes;
import codrane.core.pack.PackLink;
import codrane.core.pack.PackLink.Waits;
import codrane.core.run.Reply;
import codrane.core.uds.UdsRequest;
import codrane.core.vin.Vin;
import codrane.link.doip.DoipLink;
import codrane.standin.doip.DoipBackend;
import codrane.standin.doip.DoipEntity;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.BiConsumer;

/**
 * A transfer over DoIP on loopback without block time, beside a bare socket exchange of the same sizes with the same two
 * answers a message, measured in turns in the same run.
 */
public final class DoipMeasurement {
    private static final int BLOCK = 4095;
    private static final int BLOCKS = 6000;
    private static final int ROUNDS = 7;
    private static final int HEADER = 12;
    private static final int ACK = 13;
    private static final int ANSWER = 14;

    private DoipMeasurement() {}

    /** Answers each block at once. */
    private static final class NoWork implements DoipBackend {
        @Override
        public int longest() {
            return 65_535;
        }

        @Override
        public boolean carries(int octets, boolean functional) {
            return octets <= longest();
        }

        @Override
        public boolean knows(int address) {
            return true;
        }

        @Override
        public void request(int address, Bytes request, boolean functional, BiConsumer<Integer, Bytes> respond) {
            respond.accept(address, Bytes.of(0x76, request.u8(1)));
        }
    }

    public static void main(String[] args) throws IOException {
        int block = args.length > 0 ? Integer.parseInt(args[0]) : BLOCK;
        double[] shares = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            double bare = bare(block);
            double doip = doip(block);
            shares[i] = doip / bare;
            System.out.printf(
                    Locale.ROOT, "bare %.0f MB/s, DoIP %.0f MB/s, %.0f %%%n", bare / 1e6, doip / 1e6, 100 * shares[i]);
        }
        Arrays.sort(shares);
        System.out.printf(Locale.ROOT, "median %.0f %% with blocks of %d octets%n", 100 * shares[ROUNDS / 2], block);
    }

    /** @return octets a second */
    private static double doip(int block) throws IOException {
        Waits waits = new Waits(Duration.ofSeconds(5), Duration.ofSeconds(5));
        Bytes data = Bytes.filled(block - 2, 0x5A);
        try (DoipEntity entity =
                        new DoipEntity(new Vin("0TVCH5E12SN000318"), new NoWork(), 0, 0, DoipEntity.Timers.STANDARD);
                DoipLink link = DoipLink.open("127.0.0.1", entity.port(), PackLink.Doip.STANDARD)) {
            long began = System.nanoTime();
            for (int i = 1; i <= BLOCKS; i++) {
                Reply reply = link.request(0x40, new UdsRequest.TransferData(i & 0xFF, data).encode(), waits);
                if (!(reply instanceof Reply.Positive)) throw new IllegalStateException("no answer: " + reply);
            }
            return BLOCKS * (double) block / ((System.nanoTime() - began) / 1e9);
        }
    }

    private static double bare(int block) throws IOException {
        try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Thread.ofPlatform().daemon().start(() -> answer(server, block));
            try (Socket socket = new Socket(server.getInetAddress(), server.getLocalPort())) {
                socket.setTcpNoDelay(true);
                DataInputStream in = new DataInputStream(socket.getInputStream());
                OutputStream out = socket.getOutputStream();
                byte[] request = new byte[HEADER + block];
                byte[] ack = new byte[ACK];
                byte[] answer = new byte[ANSWER];
                long began = System.nanoTime();
                for (int i = 0; i < BLOCKS; i++) {
                    out.write(request);
                    in.readFully(ack);
                    in.readFully(answer);
                }
                return BLOCKS * (double) block / ((System.nanoTime() - began) / 1e9);
            }
        }
    }

    private static void answer(ServerSocket server, int block) {
        try (Socket socket = server.accept()) {
            socket.setTcpNoDelay(true);
            DataInputStream in = new DataInputStream(socket.getInputStream());
            OutputStream out = socket.getOutputStream();
            byte[] request = new byte[HEADER + block];
            for (int i = 0; i < BLOCKS; i++) {
                in.readFully(request);
                out.write(new byte[ACK]);
                out.write(new byte[ANSWER]);
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }
}
