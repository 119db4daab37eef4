"""A DoIP tester that others wrote (Scapy's): asks a stand-in, prints one line an answer. Usage: tester.py PORT"""
import sys

from scapy.contrib.automotive.doip import DoIP, DoIPSocket
from scapy.contrib.automotive.uds import UDS, UDS_DSC, UDS_RDBI, UDS_RDTCI, UDS_SA, UDS_TP

TARGET = 0x101A


def ask(socket, request):
    packet = DoIP(payload_type=0x8001, source_address=0x0E80, target_address=TARGET) / request
    socket.send(packet)
    while True:
        answer = socket.recv()
        if answer is None:
            return "nothing"
        if answer.payload_type == 0x8001:
            return bytes(answer[UDS]).hex().upper()


def main():
    socket = DoIPSocket("127.0.0.1", int(sys.argv[1]), source_address=0x0E80, target_address=TARGET)
    print("present", ask(socket, UDS() / UDS_TP()))
    print("vin", ask(socket, UDS() / UDS_RDBI(identifiers=[0xF190])))
    print("unknown", ask(socket, UDS() / UDS_RDBI(identifiers=[0xFFFF])))
    print("session", ask(socket, UDS() / UDS_DSC(diagnosticSessionType=3)))
    print("seed", ask(socket, UDS() / UDS_SA(securityAccessType=1)))
    print("faults", ask(socket, UDS() / UDS_RDTCI(reportType=2, DTCStatusMask=0xFF)))


main()
