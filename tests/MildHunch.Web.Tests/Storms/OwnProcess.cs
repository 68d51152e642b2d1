using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace MildHunch.Web.Tests.Storms;

/// <summary>The product in a process of its own, which can be killed like any other.</summary>
internal sealed class OwnProcess : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(2);
    private readonly Process process;

    private OwnProcess(Process process, HttpClient http) => (this.process, Http) = (process, http);

    public HttpClient Http { get; }

    public static async Task<OwnProcess> Start(string folder, CancellationToken stop)
    {
        using var free = new TcpListener(IPAddress.Loopback, 0);
        free.Start();
        var address = new Uri($"http://127.0.0.1:{((IPEndPoint)free.LocalEndpoint).Port}");
        free.Stop();
        var info = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "MildHunch.Web.dll")])
        {
            WorkingDirectory = Path.Combine(Product.Root(), "src", "MildHunch.Web"),
            RedirectStandardOutput = true,
        };
        info.Environment["DATA_DIR"] = folder;
        info.Environment["ASPNETCORE_URLS"] = address.ToString();
        info.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        var process = Process.Start(info)!;
        process.OutputDataReceived += (_, _) => { };
        process.BeginOutputReadLine();
        var http = new HttpClient { BaseAddress = address, Timeout = Patience };
        var watch = Stopwatch.StartNew();
        while (watch.Elapsed < Patience && !process.HasExited)
        {
            try
            {
                (await http.GetAsync("/health", stop)).EnsureSuccessStatusCode();
                return new OwnProcess(process, http);
            }
            catch (HttpRequestException)
            {
                await Task.Delay(20, stop);
            }
        }

        throw new InvalidOperationException("The product did not start.");
    }

    /// <summary>Ends it at once, whatever it was at.</summary>
    public void Kill()
    {
        process.Kill();
        process.WaitForExit();
    }

    public void Dispose()
    {
        Http.Dispose();
        if (!process.HasExited)
            Kill();
        process.Dispose();
    }
}
