"""A DoIP entity made of codecs that others wrote (Scapy's): serves one tester, prints its port first."""
import socket
import struct

from scapy.contrib.automotive.doip import DoIP
from scapy.contrib.automotive.uds import UDS, UDS_NR, UDS_RDBI, UDS_RDBIPR, UDS_TP, UDS_TPPR


def whole(connection):
    head = b""
    while len(head) < 8:
        part = connection.recv(8 - len(head))
        if not part:
            return None
        head += part
    length = struct.unpack(">I", head[4:])[0]
    body = b""
    while len(body) < length:
        body += connection.recv(length - len(body))
    return DoIP(head + body)


def diagnostic(request, payload):
    return DoIP(
        payload_type=0x8001, source_address=request.target_address, target_address=request.source_address
    ) / payload


def answers(request):
    yield DoIP(payload_type=0x8002, source_address=request.target_address, target_address=request.source_address)
    uds = request[UDS]
    if UDS_TP in uds:
        yield diagnostic(request, UDS() / UDS_TPPR(zeroSubFunction=0))
    elif UDS_RDBI in uds and uds.identifiers == [0xF190]:
        yield diagnostic(request, UDS() / UDS_NR(requestServiceId=0x22, negativeResponseCode=0x78))
        yield diagnostic(request, UDS() / UDS_RDBIPR(dataIdentifier=0xF190) / b"0TVCH5E12SN000318")
    else:
        yield diagnostic(request, UDS() / UDS_NR(requestServiceId=uds.service, negativeResponseCode=0x11))


def main():
    server = socket.socket()
    server.bind(("127.0.0.1", 0))
    server.listen(1)
    print(server.getsockname()[1], flush=True)
    while True:
        connection, _ = server.accept()
        for request in iter(lambda: whole(connection), None):
            if request.payload_type == 0x0005:
                connection.sendall(bytes(DoIP(
                    payload_type=0x0006, logical_address_tester=request.source_address,
                    logical_address_doip_entity=0x1000, routing_activation_response=0x10)))
            elif request.payload_type == 0x8001:
                for answer in answers(request):
                    connection.sendall(bytes(answer))


main()
