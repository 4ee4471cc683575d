using System.Net;
using System.Net.Sockets;

namespace Rama.Browser.Tests;

/// <summary>
/// A cable between browser and server that can be cut: while it is, nobody listens at its address, as in a row without
/// signal.
/// </summary>
public sealed class Cable : IAsyncDisposable
{
    private readonly Uri _server;
    private readonly int _port;
    private readonly List<Task> _carrying = [];
    private CancellationTokenSource _cut = new();
    private TcpListener _listener;

    public Cable(Uri server)
    {
        _server = server;
        _listener = new(IPAddress.Loopback, 0);
        _listener.Start();
        _port = ((IPEndPoint)_listener.LocalEndpoint).Port;
        _ = AcceptAsync(_listener, _cut.Token);
    }

    public Uri Address => new($"http://127.0.0.1:{_port}/");

    public async Task CutAsync()
    {
        await _cut.CancelAsync();
        _listener.Stop();
        await Task.WhenAll(_carrying.ToArray());
    }

    public void Mend()
    {
        _cut = new();
        _listener = new(IPAddress.Loopback, _port);
        _listener.Server.SetSocketOption(SocketOptionLevel.Socket, SocketOptionName.ReuseAddress, true);
        _listener.Start();
        _ = AcceptAsync(_listener, _cut.Token);
    }

    public async ValueTask DisposeAsync()
    {
        await CutAsync();
        _cut.Dispose();
    }

    private async Task AcceptAsync(TcpListener listener, CancellationToken cut)
    {
        try
        {
            while (true)
            {
                var client = await listener.AcceptTcpClientAsync(cut);
                _carrying.Add(CarryAsync(client, cut));
            }
        }
        catch (Exception e) when (e is OperationCanceledException or SocketException or ObjectDisposedException)
        {
            // Cut.
        }
    }

    private async Task CarryAsync(TcpClient client, CancellationToken cut)
    {
        using (client)
        using (TcpClient server = new())
        {
            try
            {
                await server.ConnectAsync(_server.Host, _server.Port, cut);
                await Task.WhenAny(
                    client.GetStream().CopyToAsync(server.GetStream(), cut),
                    server.GetStream().CopyToAsync(client.GetStream(), cut)
                );
            }
            catch (Exception e) when (e is OperationCanceledException or SocketException or IOException)
            {
                // Cut, or one end has gone.
            }
        }
    }
}
