console.log("demo");
