[assembly: AssemblyFixture(typeof(MildHunch.Web.Tests.Product))]
[assembly: AssemblyFixture(typeof(MildHunch.Web.Tests.Workshop))]

namespace MildHunch.Web.Tests;

/// <summary>A product of its own for tests that change what is stored; those that look at the demo see it as it ships.</summary>
public sealed class Workshop : Product;

/// <summary>A product for one class of tests that closes cases: what was found in one speaks for every pump of its type.</summary>
public sealed class ShopOfItsOwn : Product;
