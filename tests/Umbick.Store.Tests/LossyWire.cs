using System.Net;
using System.Net.Sockets;

namespace Umbick.Store.Tests;

/// <summary>A wire to the database that can be cut as something is committed: before the server hears of it, or before its reply.</summary>
public sealed class LossyWire : IDisposable
{
    private readonly TcpListener _listener = new(IPAddress.Loopback, 0);
    private readonly int _to;
    private int _cuts;
    private int _lost;

    public LossyWire(int to)
    {
        _to = to;
        _listener.Start();
        _ = Listen();
    }

    public int Port => ((IPEndPoint)_listener.LocalEndpoint).Port;

    /// <summary>Whether the server hears of what is cut off.</summary>
    public bool ServerHears { get; set; }

    /// <summary>How many commits were cut off.</summary>
    public int Lost => _lost;

    /// <summary>Cuts the wire at so many of the next commits.</summary>
    public void CutAtCommits(int count) => _cuts = count;

    public void Dispose() => _listener.Stop();

    private async Task Listen()
    {
        try
        {
            while (true) _ = Relay(await _listener.AcceptTcpClientAsync());
        }
        catch (Exception over) when (over is SocketException or ObjectDisposedException)
        {
            // It was stopped.
        }
    }

    private async Task Relay(TcpClient from)
    {
        using var client = from;
        using var server = new TcpClient();
        await server.ConnectAsync(IPAddress.Loopback, _to);
        var (there, back) = (client.GetStream(), server.GetStream());
        try
        {
            await Task.WhenAny(Forward(), back.CopyToAsync(there));
        }
        catch (IOException)
        {
            // One side has gone.
        }

        async Task Forward()
        {
            var buffer = new byte[65536];
            while (await there.ReadAsync(buffer) is > 0 and var count)
            {
                if (_cuts > 0 && (buffer.AsSpan(0, count).IndexOf("commit\0"u8) >= 0 || buffer.AsSpan(0, count).IndexOf("COMMIT\0"u8) >= 0))
                {
                    _cuts--;
                    _lost++;
                    if (ServerHears)
                    {
                        client.Client.Shutdown(SocketShutdown.Send);
                        await back.WriteAsync(buffer.AsMemory(0, count));
                        // Once the server has committed, its reply finds the wire cut: that ends the relay.
                        await new TaskCompletionSource().Task;
                    }
                    return;
                }
                await back.WriteAsync(buffer.AsMemory(0, count));
            }
        }
    }
}
