<h1>rig</h1>
