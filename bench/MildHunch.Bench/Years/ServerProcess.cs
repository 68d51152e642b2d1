using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace MildHunch.Bench.Years;

/// <summary>The built product in a process of its own, on a free port, in a folder of one’s choice.</summary>
internal sealed class ServerProcess : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);
    private readonly Process process;

    private ServerProcess(Process process, HttpClient http, TimeSpan took)
    {
        this.process = process;
        Http = http;
        Took = took;
    }

    public HttpClient Http { get; }

    /// <summary>From the start of the process until it answered.</summary>
    public TimeSpan Took { get; }

    /// <summary>Starts it and waits until it answers.</summary>
    /// <exception cref="InvalidOperationException">It ended, or did not answer in two minutes.</exception>
    public static async Task<ServerProcess> Start(string folder, bool demo)
    {
        var address = new Uri($"http://127.0.0.1:{FreePort()}");
        var info = new ProcessStartInfo("dotnet", [Path.GetFullPath("src/MildHunch.Web/bin/Release/net10.0/MildHunch.Web.dll")])
        {
            WorkingDirectory = Path.GetFullPath("src/MildHunch.Web"),
            RedirectStandardOutput = true,
        };
        info.Environment["DATA_DIR"] = folder;
        info.Environment["DEMO"] = demo ? "true" : "false";
        info.Environment["ASPNETCORE_URLS"] = address.ToString();
        info.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        var watch = Stopwatch.StartNew();
        var process = Process.Start(info)!;
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        var http = new HttpClient { BaseAddress = address, Timeout = Patience };
        while (watch.Elapsed < Patience && !process.HasExited)
        {
            try
            {
                await http.GetStringAsync("/health");
                return new ServerProcess(process, http, watch.Elapsed);
            }
            catch (HttpRequestException)
            {
                await Task.Delay(20);
            }
        }

        throw new InvalidOperationException("The server did not start.");
    }

    public void Dispose()
    {
        Http.Dispose();
        process.Kill();
        process.WaitForExit();
        process.Dispose();
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
