[assembly: AssemblyFixture(typeof(MildHunch.Web.Tests.Product))]
[assembly: AssemblyFixture(typeof(MildHunch.Web.Tests.Workshop))]

namespace MildHunch.Web.Tests;

/// <summary>A product of its own for tests that change what is stored; those that look at the demo see it as it ships.</summary>
public sealed class Workshop : Product;
